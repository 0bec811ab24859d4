<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/**
 * A menu as a file: JSON with every field, in the form that EntryReader takes, or an OPML 2.0 outline, where `text`
 * is the label and `url` where an entry leads, for programs that know nothing of menus.
 */
final class MenuFile
{
    public const FORMAT = 'heronstem-menu';

    public const VERSION = 1;

    /** @param  array<string, string>  $addresses  of pages, by identity, for those who read the file elsewhere */
    public static function json(Menu $menu, array $addresses): string
    {
        $file = [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'name' => $menu->name,
            'kind' => $menu->kind->value,
            'entries' => self::entries($menu, null, $addresses),
        ];

        return json_encode($file, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }

    /**
     * @param  list<ResolvedEntry>  $shown  what visitors get, branches filled
     * @param  string  $origin  scheme and host of the site
     */
    public static function opml(string $name, array $shown, string $origin): string
    {
        $document = new \DOMDocument('1.0', 'UTF-8');
        $document->formatOutput = true;
        $root = self::child($document, $document, 'opml');
        $root->setAttribute('version', '2.0');
        self::child($document, self::child($document, $root, 'head'), 'title')->appendChild($document->createTextNode($name));
        self::outlines($document, self::child($document, $root, 'body'), $shown, $origin);

        return (string) $document->saveXML();
    }

    /**
     * Entries of a file, as EntryReader takes them. An OPML outline becomes an indented list first.
     *
     * @return list<array<string, mixed>>
     *
     * @throws InputRefused when it is neither
     */
    public static function read(string $file, PastedEntries $pasted): array
    {
        if (str_starts_with(ltrim($file), '{')) {
            $read = json_decode($file, true);
            if (! is_array($read) || ($read['format'] ?? null) !== self::FORMAT || ! is_array($read['entries'] ?? null)) {
                throw new InputRefused('file', 'This is not a menu file: it has no "format": "'.self::FORMAT.'" with entries.');
            }
            if (($read['version'] ?? null) !== self::VERSION) {
                throw new InputRefused('file', 'This menu file was written in a version that is not known here.', (string) self::VERSION);
            }

            return self::found(array_values($read['entries']), $pasted);
        }

        return $pasted->read(str_starts_with(ltrim($file, "\xEF\xBB\xBF \t\r\n"), '<') ? self::lines($file) : $file);
    }

    /**
     * Pages named by `at`, their address, as they are called here; so in `out` and `in`.
     *
     * @param  array<mixed>  $entries
     * @return list<mixed>
     */
    private static function found(array $entries, PastedEntries $pasted): array
    {
        return array_values(
            array_map(static function (mixed $entry) use ($pasted): mixed {
                if (! is_array($entry)) {
                    return $entry;
                }
                $at = is_string($entry['at'] ?? null) ? $pasted->pageAt($entry['at']) : null;
                foreach (['out', 'in'] as $exceptions) {
                    if (is_array($entry[$exceptions] ?? null)) {
                        $entry[$exceptions] = array_map(
                            static fn (mixed $page): mixed => is_string($page) && str_starts_with($page, '/')
                                ? $pasted->pageAt($page) ?? $page
                                : $page,
                            $entry[$exceptions],
                        );
                    }
                }

                return [
                    ...$entry,
                    ...$at === null ? [] : ['page' => $at],
                    ...is_array($entry['entries'] ?? null) ? ['entries' => self::found($entry['entries'], $pasted)] : [],
                ];
            }, $entries),
        );
    }

    /** @throws InputRefused */
    private static function lines(string $file): string
    {
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        // Neither entities nor anything from elsewhere: a document type is not needed, in whatever encoding it comes, and expands nothing.
        $isRead = ! str_contains(str_replace("\0", '', $file), '<!DOCTYPE') && @$document->loadXML($file, LIBXML_NONET) && $document->doctype === null;
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $body = $isRead ? $document->getElementsByTagName('body')->item(0) : null;
        if ($body === null || $document->documentElement?->tagName !== 'opml') {
            throw new InputRefused('file', 'This is not an OPML outline: it needs <opml> with a <body> of <outline>s.');
        }

        return self::indented($body, 0);
    }

    private static function indented(\DOMElement $parent, int $level): string
    {
        $lines = '';
        foreach ($parent->childNodes as $node) {
            if ($node instanceof \DOMElement && $node->tagName === 'outline') {
                $text = OneLine::of($node->getAttribute('text'));
                $lines .=
                    str_repeat("\t", $level).
                    trim($text.' '.($node->getAttribute('url') ?: $node->getAttribute('htmlUrl'))).
                    "\n".
                    self::indented($node, $level + 1);
            }
        }

        return $lines;
    }

    /**
     * @param  array<string, string>  $addresses
     * @return list<array<string, mixed>>
     */
    private static function entries(Menu $menu, ?string $parent, array $addresses): array
    {
        return array_map(static function (Entry $entry) use ($menu, $addresses): array {
            $under = self::entries($menu, $entry->id, $addresses);

            return self::written($entry) +
                ($entry->page() !== null && isset($addresses[$entry->page()]) ? ['at' => $addresses[$entry->page()]] : []) +
                ($under === [] ? [] : ['entries' => $under]);
        }, $menu->under($parent));
    }

    /** @return array<string, mixed> one entry without its identity and without what is as usual */
    public static function written(Entry $entry): array
    {
        $target =
            $entry->leadsTo === null ? [] : ($entry->kind === EntryKind::Branch ? ['page' => $entry->leadsTo->value] : $entry->leadsTo->toArray());
        $contents = $entry->contents?->toArray() ?? [];

        return ['kind' => $entry->kind->value] +
            $target +
            array_filter(
                [
                    'label' => $entry->label,
                    'title' => $entry->title,
                    'newWindow' => $entry->newWindow,
                    'audience' => $entry->audience->isEveryone() ? '' : $entry->audience->toText(),
                    'from' => $entry->from?->iso(),
                    'until' => $entry->until?->iso(),
                    ...$contents,
                    'text' => $entry->text,
                    'picture' => $entry->picture,
                    'closed' => $entry->closed === Closed::LeftOut ? '' : $entry->closed->value,
                ],
                static fn (mixed $value): bool => ! in_array($value, ['', null, false, []], true),
            );
    }

    /** @param  list<ResolvedEntry>  $entries */
    private static function outlines(\DOMDocument $document, \DOMElement $parent, array $entries, string $origin): void
    {
        foreach ($entries as $entry) {
            if ($entry->kind === EntryKind::Separator) {
                continue;
            }
            $outline = self::child($document, $parent, 'outline');
            $outline->setAttribute('text', $entry->label);
            if ($entry->href !== null) {
                $outline->setAttribute('type', 'link');
                $outline->setAttribute('url', str_starts_with($entry->href, '/') ? $origin.$entry->href : $entry->href);
            }
            self::outlines($document, $outline, $entry->under, $origin);
        }
    }

    private static function child(\DOMDocument $document, \DOMNode $parent, string $name): \DOMElement
    {
        $element = $document->createElement($name);
        $parent->appendChild($element);

        return $element;
    }
}

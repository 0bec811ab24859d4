<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/**
 * What is said to a writer while writing, at the block that it is about. Content may be unfinished here: blocks are taken as
 * they come, and what is no block yet is passed over.
 */
final class ContentNotes
{
    /** Words from which on a sentence is called very long; plain-language guides advise at most 25. */
    public const LONG_SENTENCE = 40;

    /** Most notes: who has more begins with these. */
    private const MOST = 100;

    /** @var list<ContentNote> */
    private array $notes = [];

    private int $levelAbove = 1;

    /** @param  list<string>  $vague  texts of links that do not say where they lead */
    private function __construct(private readonly array $vague)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return list<ContentNote>
     */
    public static function on(array $blocks, string $language): array
    {
        /** @var array<string, list<string>> $vague */
        $vague = require __DIR__.'/Reference/vague-links.php';
        $notes = new self($vague[strtolower((string) strtok($language, '-_'))] ?? $vague['en']);
        $notes->blocks($blocks, []);

        return array_slice($notes->notes, 0, self::MOST);
    }

    /**
     * @param  array<mixed>  $blocks
     * @param  list<int>  $path
     */
    private function blocks(array $blocks, array $path): void
    {
        foreach (array_values($blocks) as $i => $block) {
            if (! is_array($block) || ($block['attrs']['hidden'] ?? false) === true) {
                continue;
            }
            $at = [...$path, $i];
            $content = is_array($block['content'] ?? null) ? $block['content'] : [];
            match ($block['type'] ?? null) {
                'heading' => $this->heading($block, $content, $at),
                'paragraph', 'foldQuestion' => $this->line($content, $at),
                'picture' => $this->picture($block['attrs'] ?? [], $at),
                'gallery' => array_map(
                    fn (mixed $picture) => $this->picture($picture, $at),
                    array_values((array) ($block['attrs']['pictures'] ?? [])),
                ),
                'button' => $this->link((string) (is_string($block['attrs']['text'] ?? null) ? $block['attrs']['text'] : ''), $at),
                'table' => $this->table($block['attrs'] ?? [], $content, $at),
                default => $this->blocks($content, $at),
            };
        }
    }

    /**
     * @param  array<mixed>  $block
     * @param  array<mixed>  $content
     * @param  list<int>  $at
     */
    private function heading(array $block, array $content, array $at): void
    {
        $level = is_int($block['attrs']['level'] ?? null) ? $block['attrs']['level'] : 2;
        if (self::text($content) === '') {
            $this->note('heading-blank', $at, 'This heading says nothing.');

            return;
        }
        if ($level > $this->levelAbove + 1) {
            $this->note(
                'heading-order',
                $at,
                "A heading of level $level follows one of level {$this->levelAbove}. Readers who jump from heading to heading look for what is between.",
            );
        }
        $this->levelAbove = $level;
    }

    /**
     * @param  array<mixed>  $content
     * @param  list<int>  $at
     */
    private function line(array $content, array $at): void
    {
        foreach (self::linkTexts($content) as $text) {
            $this->link($text, $at);
        }
        foreach (preg_split('/(?<=[.!?…])\s+|\n/u', self::text($content)) ?: [] as $sentence) {
            $words = count(Stem::words($sentence));
            if ($words > self::LONG_SENTENCE) {
                $this->note('sentence-long', $at, "A sentence here has $words words. Two of them are easier to read.");
            }
        }
    }

    /** @param  list<int>  $at */
    private function link(string $text, array $at): void
    {
        $said = trim(mb_strtolower($text), " \t\n.,:;!…›»>→“”\"'");
        if (in_array($said, $this->vague, true)) {
            $this->note('link-vague', $at, "The link \"$text\" does not say where it leads. Name what is there.");
        }
    }

    /** @param  list<int>  $at */
    private function picture(mixed $attrs, array $at): void
    {
        $alt = is_array($attrs) && is_string($attrs['alt'] ?? null) ? trim($attrs['alt']) : '';
        if ($alt === '' && ! (is_array($attrs) && ($attrs['decorative'] ?? false) === true)) {
            $this->note('picture-without-text', $at, 'A picture here has no text for people who do not see it. It needs one before you can save.');
        }
    }

    /**
     * @param  array<mixed>  $rows
     * @param  list<int>  $at
     */
    private function table(mixed $attrs, array $rows, array $at): void
    {
        $attrs = is_array($attrs) ? $attrs : [];
        if (($attrs['headRow'] ?? false) !== true && ($attrs['headColumn'] ?? false) !== true && count($rows) > 1) {
            $this->note('table-without-head', $at, 'The table does not say what its rows and columns hold: make its first row or column a head.');
        }
        foreach (array_values($rows) as $i => $row) {
            foreach (array_values(is_array($row) && is_array($row['content'] ?? null) ? $row['content'] : []) as $j => $cell) {
                $this->blocks(is_array($cell) && is_array($cell['content'] ?? null) ? $cell['content'] : [], [...$at, $i, $j]);
            }
        }
    }

    /**
     * @param  array<mixed>  $content
     * @return list<string> the text of each link, whole where marks stand within it
     */
    private static function linkTexts(array $content): array
    {
        $texts = [];
        $open = '';
        $before = null;
        foreach ($content as $piece) {
            $marks = is_array($piece) && is_array($piece['marks'] ?? null) ? array_filter($piece['marks'], is_array(...)) : [];
            $link = null;
            foreach ($marks as $mark) {
                $link = ($mark['type'] ?? null) === 'link' ? $mark['attrs'] ?? [] : $link;
            }
            if ($link !== null) {
                $text = is_string($piece['text'] ?? null) ? $piece['text'] : ' ';
                if ($link !== $before && $before !== null) {
                    $texts[] = $open;
                    $open = '';
                }
                $open .= $text;
            } elseif ($before !== null) {
                $texts[] = $open;
                $open = '';
            }
            $before = $link;
        }

        return $before === null ? $texts : [...$texts, $open];
    }

    /** @param  array<mixed>  $content */
    private static function text(array $content): string
    {
        return trim(
            implode(
                '',
                array_map(static fn (mixed $piece): string => is_array($piece) && is_string($piece['text'] ?? null) ? $piece['text'] : ' ', $content),
            ),
        );
    }

    /** @param  list<int>  $at */
    private function note(string $code, array $at, string $text): void
    {
        $this->notes[] = new ContentNote($code, $at, $text);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/**
 * Pages of an OPML 2.0 outline: `text` is the name, `url` or `htmlUrl` the address it has where it comes from, and what is inside
 * stands under it. What taking out writes besides, `slug`, `description` and `state`, is read as well.
 */
final class OutlineFile
{
    /** Deepest outline read. */
    private const MAX_DEPTH = 100;

    /**
     * @return iterable<GivenPage>
     *
     * @throws InputRefused where it is no outline
     */
    public static function pages(string $xml): iterable
    {
        $says = 'This is not an OPML outline that can be read';
        $reader = SafeXml::reader($xml, $says);
        $above = [];
        $n = 0;
        $isOutline = false;
        while (SafeXml::next($reader, $says)) {
            $isOutline = $isOutline || ($reader->nodeType === \XMLReader::ELEMENT && $reader->localName === 'body');
            if ($reader->localName !== 'outline') {
                continue;
            }
            if ($reader->nodeType === \XMLReader::END_ELEMENT) {
                array_pop($above);
            } elseif ($reader->nodeType === \XMLReader::ELEMENT) {
                if (count($above) >= self::MAX_DEPTH) {
                    throw new InputRefused('text', 'This outline is nested more than '.self::MAX_DEPTH.' levels deep.');
                }
                $key = 'entry '.++$n;
                yield self::page($reader, $key, $above === [] ? null : $above[count($above) - 1]);
                if (! $reader->isEmptyElement) {
                    $above[] = $key;
                }
            }
        }
        if (! $isOutline) {
            throw new InputRefused('text', 'This is not an OPML outline: it needs <opml> with a <body> of <outline>s.');
        }
    }

    private static function page(\XMLReader $reader, string $key, ?string $parent): GivenPage
    {
        $says = static fn (string $name): ?string => OneLine::typed((string) $reader->getAttribute($name)) ?: null;
        $description = $says('description');

        return new GivenPage(
            $key,
            address: $says('url') ?? $says('htmlUrl'),
            key: $key,
            parent: $parent,
            hasPlace: true,
            name: $says('text') ?? $says('title'),
            slug: $says('slug'),
            texts: $description === null ? [] : ['searchDescription' => $description],
            state: $says('state'),
        );
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** The words of an address or a title, as they are compared: lower case, without accents and endings, numbers that only count dropped. */
final class Words
{
    /** Parts of addresses that say nothing of the page, and how one of its forms is called: to print, for telephones. */
    private const EMPTY = [
        'html',
        'htm',
        'php',
        'php3',
        'asp',
        'aspx',
        'jsp',
        'cgi',
        'cfm',
        'xhtml',
        'pdf',
        'index',
        'default',
        'home',
        'page',
        'pages',
        'node',
        'content',
        'article',
        'item',
        'view',
        'show',
        'display',
        'www',
        'site',
        'cms',
        'the',
        'and',
        'for',
        'with',
        'from',
        'to',
        'of',
        'on',
        'at',
        'in',
        'is',
        'are',
        'we',
        'our',
        'print',
        'printable',
        'printversion',
        'printview',
        'amp',
        'mobile',
        'wap',
        'textonly',
        'version',
        'copy',
        'backup',
        'bak',
        'id',
        'en',
        'eng',
        'gb',
        'uk',
        'what',
        'where',
        'der',
        'die',
        'das',
        'und',
        'og',
        'til',
        'de',
        'la',
        'le',
        'les',
        'et',
        'el',
        'het',
        'van',
    ];

    /** Words whose last letters are no ending. */
    private const WHOLE = [
        'news',
        'bus',
        'gas',
        'plus',
        'series',
        'species',
        'press',
        'access',
        'business',
        'class',
        'wales',
        'status',
        'campus',
        'bonus',
        'census',
        'address',
        'loss',
        'cross',
        'pass',
        'less',
        'glass',
    ];

    /** @return list<string> */
    public static function of(string $text): array
    {
        $text = preg_match('/%[0-9A-Fa-f]{2}/', $text) === 1 ? rawurldecode($text) : $text;
        $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        // Made anew for each text, a transliterator costs a hundred times what it does: what is plain already does without.
        $plain =
            preg_match('/[^\x00-\x7F]/', $text) === 1
                ? transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', (string) preg_replace('/(?<=\p{Ll})(?=\p{Lu})/u', ' ', $text))
                : strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', ' ', $text));
        $words = preg_split('/[^a-z0-9]+/', $plain === false ? strtolower($text) : $plain, -1, PREG_SPLIT_NO_EMPTY) ?: [];

        $telling = array_filter(
            $words,
            static fn (string $word): bool => strlen($word) > 1 &&
                ! in_array($word, self::EMPTY, true) &&
                // Short numbers only count; years, and what is long enough to name something, are words.
                ! (ctype_digit($word) && strlen($word) < 4),
        );

        return array_values(array_map(self::stem(...), $telling));
    }

    /** The common endings of plurals and of verbs, so that `fares` is `fare` and `sailing` is `sail`. */
    public static function stem(string $word): string
    {
        if (strlen($word) > 3 && ! in_array($word, self::WHOLE, true)) {
            $word = (string) preg_replace('/ies$/', 'y', $word);
            $word = (string) preg_replace('/(?<=[a-z]{3})(?:ing|ed|es|s)$/', '', $word);
        }

        return strlen($word) > 3 ? rtrim($word, 'e') : $word;
    }
}

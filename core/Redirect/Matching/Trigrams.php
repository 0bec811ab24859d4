<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** Three letters each of a text, its ends marked by spaces: texts that share many are spelt alike. */
final class Trigrams
{
    /** @return array<string, true> */
    public static function of(string $text): array
    {
        $text = '  '.strtolower((string) preg_replace('/[^A-Za-z0-9]+/', ' ', $text)).' ';
        $found = [];
        for ($i = 0; $i + 3 <= strlen($text); $i++) {
            $found[substr($text, $i, 3)] = true;
        }

        return $found;
    }
}

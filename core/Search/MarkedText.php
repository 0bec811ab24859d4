<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** A text in which some pieces are marked: what was found, in its context. */
final class MarkedText
{
    /** Stand before and after a marked piece, while it is still one text. */
    public const MARKS = ["\u{E000}", "\u{E001}"];

    /** The text as it is without marks of its own, so that none can be taken for ours. */
    public static function unmarked(string $text): string
    {
        return str_replace(self::MARKS, '', $text);
    }

    /** A piece of a text with dots where more of it stands before or after. */
    public static function cut(string $piece, string $begins, string $ends): string
    {
        $plain = trim(self::unmarked($piece));

        return $plain === ''
            ? ''
            : (str_starts_with($plain, trim($begins)) ? '' : '… ').trim($piece).(str_ends_with($plain, trim($ends)) ? '' : ' …');
    }

    /** @return list<array{text: string, isMarked: bool}> pieces in order, none of them empty */
    public static function pieces(string $text): array
    {
        $pieces = [];
        $isMarked = false;
        foreach (preg_split('/([\x{E000}\x{E001}])/u', $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $piece) {
            if (in_array($piece, self::MARKS, true)) {
                $isMarked = $piece === self::MARKS[0];
            } else {
                $pieces[] = ['text' => $piece, 'isMarked' => $isMarked];
            }
        }

        return $pieces;
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

/** Lists as PostgreSQL array literals, so that one parameter carries any number of values. */
final class PgArray
{
    /** @param  iterable<string|int>  $values */
    public static function of(iterable $values): string
    {
        // Written on and on: a list of the quoted ones would take several times as much as what comes of it.
        $text = '';
        foreach ($values as $value) {
            $text .= ($text === '' ? '"' : ',"').addcslashes((string) $value, '"\\').'"';
        }

        return '{'.$text.'}';
    }

    /** @param  iterable<int|null>  $numbers */
    public static function numbers(iterable $numbers): string
    {
        $written = [];
        foreach ($numbers as $number) {
            $written[] = $number ?? 'null';
        }

        return '{'.implode(',', $written).'}';
    }
}

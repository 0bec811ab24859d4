<?php

declare(strict_types=1);

namespace App\Store;

/** Lists as PostgreSQL array literals, so that one parameter carries any number of values. */
final class PgArray
{
    /** @param  iterable<string|int>  $values */
    public static function of(iterable $values): string
    {
        $quoted = [];
        foreach ($values as $value) {
            $quoted[] = '"'.addcslashes((string) $value, '"\\').'"';
        }

        return '{'.implode(',', $quoted).'}';
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

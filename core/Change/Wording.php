<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** How sentences of the history write names and numbers. */
final class Wording
{
    /** A name between asterisks, in which it has none itself. */
    public static function name(string $name): string
    {
        return '*'.str_replace('*', '∗', $name).'*';
    }

    public static function count(int $count, string $one, ?string $many = null): string
    {
        return "$count ".($count === 1 ? $one : $many ?? "{$one}s");
    }
}

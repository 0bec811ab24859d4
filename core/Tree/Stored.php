<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** Small values as one text with their keys in one order, so that two that are equal are written alike; and read again. */
final class Stored
{
    /** @param  array<string, mixed>  $values */
    public static function text(array $values): string
    {
        ksort($values);
        $sorted = array_map(static function (mixed $value): mixed {
            if (is_array($value)) {
                ksort($value);
            }

            return $value;
        }, $values);

        return json_encode($sorted, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /**
     * Those that say something. A nought does, as text and as number.
     *
     * @template T
     *
     * @param  array<string, T>  $values
     * @return array<string, T>
     */
    public static function said(array $values): array
    {
        return array_filter($values, static fn (mixed $value): bool => $value !== null && $value !== '' && $value !== []);
    }

    /**
     * @param  array<mixed>  $values
     * @return array<mixed> with their keys in one order, at every depth
     */
    public static function sorted(array $values): array
    {
        if (! array_is_list($values)) {
            ksort($values, SORT_STRING);
        }

        return array_map(static fn (mixed $value): mixed => is_array($value) ? self::sorted($value) : $value, $values);
    }

    /** Whether nothing is said: of thousands of pages most say nothing, and all of them may share the one value that says so. */
    public static function isBlank(?string $text): bool
    {
        return $text === null || $text === '' || $text === '{}' || $text === '[]';
    }

    /** @return array<mixed> */
    public static function read(?string $text): array
    {
        $kept = $text === null || $text === '' ? [] : json_decode($text, true, 32, JSON_THROW_ON_ERROR);

        return is_array($kept) ? $kept : [];
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

/** Where each field of a page is stored. A field that is named here is read, written and restored with all others. */
final class PageColumns
{
    /** Fields by the name that Page gives them, each with its column and the column's type; parent and bin are keys besides. */
    private const COLUMNS = [
        'position' => ['position', 'bigint'],
        'name' => ['name', 'text'],
        'slug' => ['slug', 'text'],
        'slugByHand' => ['slug_by_hand', 'boolean'],
        'pinned' => ['pinned', 'text'],
        'state' => ['state', 'text'],
        'everLive' => ['ever_live', 'boolean'],
        'listed' => ['listed', 'boolean'],
        'kind' => ['kind', 'text'],
        'leadsTo' => ['leads_to', 'text'],
        'leftOut' => ['left_out', 'boolean'],
        'isProtected' => ['is_protected', 'boolean'],
        'was' => ['was', 'text'],
        'from' => ['from_at', 'timestamptz'],
        'until' => ['until_at', 'timestamptz'],
        'reviewNote' => ['review_note', 'text'],
        'heading' => ['heading', 'text'],
        'summary' => ['summary', 'text'],
        'searchTitle' => ['search_title', 'text'],
        'searchDescription' => ['search_description', 'text'],
        'prepared' => ['prepared', 'jsonb'],
        'layout' => ['layout', 'text'],
        'socialTitle' => ['social_title', 'text'],
        'socialDescription' => ['social_description', 'text'],
        'search' => ['search', 'jsonb'],
        'branchSearch' => ['branch_search', 'jsonb'],
        'fields' => ['fields', 'jsonb'],
        'wantedAs' => ['wanted_as', 'text'],
        'tags' => ['tags', 'jsonb'],
        'showing' => ['showing', 'jsonb'],
        'code' => ['code', 'jsonb'],
        'access' => ['access', 'jsonb'],
    ];

    /** Of the table `p`, each under its field's name; moments in UTC. */
    public static function selected(): string
    {
        return self::each(
            static fn (string $field, string $column, string $type): string => match ($type) {
                'timestamptz' => "to_char(p.$column at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"$field\"",
                'jsonb' => "p.$column::text as \"$field\"",
                default => "p.$column as \"$field\"",
            },
        );
    }

    /** @return array<string, true> fields that a page keeps in columns, its keys included */
    public static function fields(): array
    {
        return array_fill_keys(['parent', 'bin', ...array_keys(self::COLUMNS)], true);
    }

    /**
     * For a record set made of JSON.
     *
     * @param  array<string, true>|null  $fields  these alone
     */
    public static function typed(?array $fields = null): string
    {
        return self::each(
            static fn (string $field, string $column, string $type): string => "\"$field\" ".($type === 'jsonb' ? 'text' : $type),
            $fields,
        );
    }

    /**
     * From a record set `n`.
     *
     * @param  array<string, true>  $fields  these alone
     */
    public static function assigned(array $fields): string
    {
        return self::each(static fn (string $field, string $column, string $type): string => "$column = ".self::value($field, $type), $fields);
    }

    public static function names(): string
    {
        return self::each(static fn (string $field, string $column): string => $column);
    }

    /** From a record set `n`, in the order of their names. */
    public static function values(): string
    {
        return self::each(static fn (string $field, string $column, string $type): string => self::value($field, $type));
    }

    private static function value(string $field, string $type): string
    {
        return "n.\"$field\"".($type === 'jsonb' ? '::jsonb' : '');
    }

    /**
     * @param  \Closure(string, string, string): string  $written
     * @param  array<string, true>|null  $fields
     */
    private static function each(\Closure $written, ?array $fields = null): string
    {
        $columns = $fields === null ? self::COLUMNS : array_intersect_key(self::COLUMNS, $fields);

        return implode(', ', array_map(static fn (string $field, array $of): string => $written($field, ...$of), array_keys($columns), $columns));
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/**
 * The fields that a group of a collection gives the pages below it: written by people as rows, read as fields of a layout.
 * A group below another one adds to what it inherits; of two fields with one key the nearest holds.
 */
final class ItemFields
{
    /** In the layout of items: the rows, and their column, that name further groups in which an item stands. */
    public const ALSO_IN = 'alsoIn';

    public const GROUP = 'group';

    /** Kinds that a group may ask for: everything but rows, and years, which are numbers. */
    private const KINDS = [
        'text' => 'Text',
        'long-text' => 'Long text',
        'number' => 'Number',
        'year' => 'Year',
        'money' => 'Money',
        'date' => 'Date',
        'choice' => 'Choice',
        'yes-no' => 'Yes or no',
        'page' => 'Page',
        'file' => 'File',
        'picture' => 'Picture',
    ];

    private const KEY = '/^[a-z][A-Za-z0-9]{0,39}$/D';

    /** @return array<string, mixed> what one row is, as a layout would write it */
    public static function schema(): array
    {
        $choices = array_map(
            static fn (string $kind, string $title): array => ['const' => $kind, 'title' => $title],
            array_keys(self::KINDS),
            array_values(self::KINDS),
        );

        return [
            'type' => 'object',
            'title' => 'Field',
            'required' => ['name', 'kind'],
            'properties' => [
                'name' => ['$ref' => FieldKind::Text->urn(), 'title' => 'Name', 'maxLength' => 60],
                'kind' => ['$ref' => FieldKind::Choice->urn(), 'title' => 'Kind', 'oneOf' => $choices],
                'choices' => [
                    '$ref' => FieldKind::Text->urn(),
                    'title' => 'Choices',
                    'description' => 'Of a choice: what can be chosen, apart by commas.',
                ],
                'unit' => [
                    '$ref' => FieldKind::Text->urn(),
                    'title' => 'Unit',
                    'maxLength' => 12,
                    'description' => 'Of a number its unit, e.g. m; of money its currency (ISO 4217), e.g. GBP.',
                ],
                'key' => [
                    '$ref' => FieldKind::Text->urn(),
                    'title' => 'Key',
                    'maxLength' => 40,
                    'description' => 'How tables and addresses name the field. Made from the name where it is empty; values stay with it when the name changes.',
                ],
            ],
        ];
    }

    /**
     * The rows as they are kept: each with a key of its own.
     *
     * @param  array<int, array<string, mixed>>  $rows  under the numbers they were given with, each held against schema()
     * @param  list<string>  $taken  keys of fields that the items have anyway
     * @param  string  $at  the field, as a refusal names it
     * @return array<int, array<string, mixed>>
     *
     * @throws InputRefused naming row and column
     */
    public static function settled(array $rows, array $taken, string $at): array
    {
        $keys = [];
        foreach ($rows as $i => $row) {
            if (isset($row['key'])) {
                self::guardKey((string) $row['key'], [...$taken, ...$keys], "$at.$i.key", 'Row '.($i + 1).', Key: ');
                $keys[$i] = (string) $row['key'];
            }
        }
        foreach ($rows as $i => $row) {
            $keys[$i] ??= self::key((string) $row['name'], [...$taken, ...$keys]);
            $rows[$i]['key'] = $keys[$i];
            $kind = self::kind($row);
            if ($kind === FieldKind::Choice && self::choices($row) === []) {
                throw new InputRefused("$at.$i.choices", 'Row '.($i + 1).', Choices: Say what can be chosen, apart by commas.');
            }
            if ($kind === FieldKind::Money && preg_match('/^[A-Z]{3}$/D', (string) ($row['unit'] ?? '')) !== 1) {
                throw new InputRefused("$at.$i.unit", 'Row '.($i + 1).', Unit: Money needs its currency by three letters (ISO 4217), e.g. GBP.');
            }
        }

        return $rows;
    }

    /**
     * The fields that items have, those of the outermost group first.
     *
     * @param  list<array<mixed>>  $levels  the rows of each group above an item, the nearest first, as settled() gave them
     * @return list<LayoutField>
     */
    public static function of(array $levels): array
    {
        $fields = [];
        foreach (array_reverse($levels) as $rows) {
            foreach ($rows as $row) {
                $field = is_array($row) ? self::field($row) : null;
                if ($field !== null) {
                    $fields[$field->key] = $field;
                }
            }
        }

        return array_values($fields);
    }

    /**
     * @param  array<mixed>  $row
     * @return LayoutField|null null for what was never settled
     */
    private static function field(array $row): ?LayoutField
    {
        $kind = self::kind($row);
        [$key, $name, $unit] = [$row['key'] ?? null, $row['name'] ?? null, $row['unit'] ?? ''];
        if (! is_string($key) || ! is_string($name) || ! is_string($unit) || $kind === null) {
            return null;
        }
        $choices = array_map(static fn (string $choice): array => ['const' => $choice, 'title' => $choice], self::choices($row));
        $rule = match (true) {
            $kind === FieldKind::Choice => ['oneOf' => $choices],
            $kind === FieldKind::Money => ['currency' => $unit],
            $row['kind'] === 'year' => ['multipleOf' => 1, 'minimum' => 1, 'maximum' => 9999, 'grouping' => false],
            $kind === FieldKind::Number && $unit !== '' => ['unit' => $unit],
            default => [],
        };

        return preg_match(self::KEY, $key) !== 1 || $rule === ['oneOf' => []]
            ? null
            : new LayoutField($key, $name, $kind, ['$ref' => $kind->urn(), 'title' => $name, ...$rule]);
    }

    /** @param  array<mixed>  $row */
    private static function kind(array $row): ?FieldKind
    {
        $kind = is_string($row['kind'] ?? null) ? $row['kind'] : '';

        return isset(self::KINDS[$kind]) ? FieldKind::tryFrom($kind) ?? FieldKind::Number : null;
    }

    /**
     * @param  array<mixed>  $row
     * @return list<string>
     */
    private static function choices(array $row): array
    {
        $choices = array_map(OneLine::of(...), explode(',', is_string($row['choices'] ?? null) ? $row['choices'] : ''));

        return array_values(array_unique(array_filter($choices, static fn (string $choice): bool => $choice !== '')));
    }

    /** @param  array<string>  $taken */
    private static function guardKey(string $key, array $taken, string $at, string $where): void
    {
        if (preg_match(self::KEY, $key) !== 1) {
            throw new InputRefused($at, "{$where}A key has letters and digits only, and begins with a small letter.");
        }
        if (in_array($key, $taken, true)) {
            throw new InputRefused($at, "{$where}Another field has the key “{$key}”.");
        }
    }

    /**
     * @param  array<string>  $taken
     * @return string the name in letters and digits: `Sail area` becomes `sailArea`
     */
    private static function key(string $name, array $taken): string
    {
        $plain = transliterator_transliterate('Any-Latin; Latin-ASCII', $name);
        $words = preg_split('/[^A-Za-z0-9]+/', is_string($plain) ? $plain : '', -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $key = lcfirst(implode('', array_map(static fn (string $word): string => ucfirst(strtolower($word)), $words)));
        $key = substr(preg_match('/^[a-z]/', $key) === 1 ? $key : "field$key", 0, 36);
        for ($n = 2, $made = $key; in_array($made, $taken, true); $n++) {
            $made = "$key$n";
        }

        return $made;
    }
}

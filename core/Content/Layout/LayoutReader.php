<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Opis\JsonSchema\Exceptions\SchemaException;

/**
 * Reads how a layout describes its fields: a JSON Schema (2020-12) whose title and description are those of the layout and each of
 * whose properties refers to a kind of field. What it does not know it refuses with the place: a slip in a keyword would else be
 * a rule that nobody keeps.
 */
final class LayoutReader
{
    private const ROOT = [
        '$schema',
        '$id',
        '$comment',
        'title',
        'description',
        'type',
        'properties',
        'required',
        'additionalProperties',
        'schemaType',
        'fieldsFrom',
    ];

    private const FIELD = ['$ref', '$comment', 'title', 'description', 'default', 'property'];

    private const ITEMS = ['type', 'title', 'properties', 'required', 'additionalProperties', 'schemaType'];

    private const KEY = '/^[a-z][A-Za-z0-9]{0,39}$/D';

    /**
     * @param  string  $key  the name of its folder
     * @param  string  $json  its fields.json
     *
     * @throws FaultyLayout
     */
    public static function read(string $key, string $json): Layout
    {
        if (preg_match('/^[a-z][a-z0-9-]{0,39}$/D', $key) !== 1) {
            throw new FaultyLayout('', "A layout's folder is named with small letters, digits and hyphens; “{$key}” is not.");
        }
        try {
            $root = json_decode($json, true, 32, JSON_THROW_ON_ERROR);
        } catch (\JsonException $no) {
            throw new FaultyLayout('', "This is no JSON: {$no->getMessage()}.");
        }
        $root = self::object($root, '');
        self::known($root, self::ROOT, '');

        return new Layout(
            $key,
            self::text($root, 'title', ''),
            self::text($root, 'description', ''),
            self::fields($root, '', false),
            isset($root['schemaType']) ? self::text($root, 'schemaType', '') : null,
            isset($root['fieldsFrom']) ? self::text($root, 'fieldsFrom', '') : null,
        );
    }

    /**
     * @param  array<mixed>  $of
     * @return list<LayoutField>
     */
    private static function fields(array $of, string $where, bool $inRows): array
    {
        $required = $of['required'] ?? [];
        if (! is_array($required) || array_filter($required, is_string(...)) !== $required) {
            throw new FaultyLayout(self::at($where, 'required'), 'This is a list of names of fields.');
        }
        $fields = [];
        foreach (self::object($of['properties'] ?? [], self::at($where, 'properties')) as $key => $schema) {
            $fields[] = self::field((string) $key, $schema, self::at($where, "properties.$key"), in_array($key, $required, true), $inRows);
        }
        foreach (array_diff($required, array_column($fields, 'key')) as $missing) {
            throw new FaultyLayout(self::at($where, 'required'), "There is no field “{$missing}”.");
        }

        return $fields;
    }

    private static function field(string $key, mixed $given, string $where, bool $isNeeded, bool $inRows): LayoutField
    {
        if (preg_match(self::KEY, $key) !== 1) {
            throw new FaultyLayout($where, 'A field is named with letters and digits, and begins with a small letter.');
        }
        $schema = self::object($given, $where);
        $kind =
            FieldKind::ofUrn($schema['$ref'] ?? null) ??
            throw new FaultyLayout(
                self::at($where, '$ref'),
                'This names the kind of field: one of '.
                    implode(', ', array_map(static fn (FieldKind $each): string => $each->urn(), FieldKind::cases())).
                    '.',
            );
        self::known($schema, [...self::FIELD, ...$kind->keywords()], $where);
        $columns = $needed = [];
        if ($kind === FieldKind::Rows) {
            if ($inRows) {
                throw new FaultyLayout($where, 'Rows cannot hold rows.');
            }
            $schema = self::defining($schema, $where);
            $items = self::object($schema['items'] ?? null, self::at($where, 'items'));
            self::known($items, self::ITEMS, self::at($where, 'items'));
            $columns = self::fields($items, self::at($where, 'items'), true);
            if ($columns === []) {
                throw new FaultyLayout(self::at($where, 'items'), 'Rows have at least one field.');
            }
            $needed = array_values(array_filter((array) ($items['required'] ?? []), is_string(...)));
        }
        $field = new LayoutField($key, self::text($schema, 'title', $where), $kind, $schema, $isNeeded, $columns, $needed);
        self::guardKeywords($field, $where);
        self::guardDefault($field, $where);

        return $field;
    }

    /**
     * @param  array<mixed>  $schema  of rows
     * @return array<mixed> with what the rows are, where they say what fields the pages below have
     */
    private static function defining(array $schema, string $where): array
    {
        if (! isset($schema['defines'])) {
            return $schema;
        }
        if ($schema['defines'] !== true || isset($schema['items'])) {
            throw new FaultyLayout(
                self::at($where, 'defines'),
                'This is true for rows that say what fields the pages below have; such rows come with fields of their own.',
            );
        }

        return [...$schema, 'items' => ItemFields::schema()];
    }

    private static function guardKeywords(LayoutField $field, string $where): void
    {
        if ($field->kind === FieldKind::Money && preg_match('/^[A-Z]{3}$/D', $field->currency()) !== 1) {
            throw new FaultyLayout(self::at($where, 'currency'), 'Money says its currency by three letters (ISO 4217), e.g. EUR.');
        }
        if ($field->kind === FieldKind::Choice) {
            self::guardChoices($field->schema['oneOf'] ?? null, self::at($where, 'oneOf'));
        }
        if (isset($field->schema['proportions']) && $field->proportions() === null) {
            throw new FaultyLayout(self::at($where, 'proportions'), 'This is width to height, e.g. 16:9.');
        }
        foreach (['minWidth', 'minHeight'] as $keyword) {
            if (isset($field->schema[$keyword]) && (! is_int($field->schema[$keyword]) || $field->schema[$keyword] < 1)) {
                throw new FaultyLayout(self::at($where, $keyword), 'This is a number of pixels.');
            }
        }
        if (isset($field->schema['grouping']) && ! is_bool($field->schema['grouping'])) {
            throw new FaultyLayout(self::at($where, 'grouping'), 'This is true or false.');
        }
        foreach (['description', 'empty', 'unit', 'property', 'pattern'] as $keyword) {
            if (isset($field->schema[$keyword]) && ! is_string($field->schema[$keyword])) {
                throw new FaultyLayout(self::at($where, $keyword), 'This is a text.');
            }
        }
    }

    private static function guardChoices(mixed $choices, string $where): void
    {
        if (! is_array($choices) || $choices === [] || ! array_is_list($choices)) {
            throw new FaultyLayout($where, 'A choice lists what can be chosen: [{"const": "small", "title": "Small"}, …].');
        }
        foreach ($choices as $i => $choice) {
            if (! is_array($choice) || ! is_string($choice['const'] ?? null) || ! is_string($choice['title'] ?? null)) {
                throw new FaultyLayout("$where.$i", 'Each choice has a const and a title, both texts.');
            }
        }
    }

    /** The schema is tried on its default, or on something: a keyword with a value of the wrong type shows here, not at a page. */
    private static function guardDefault(LayoutField $field, string $where): void
    {
        try {
            $fault = FieldCheck::fault($field, $field->fallback() ?? ($field->kind === FieldKind::Rows ? [] : 'a'));
        } catch (SchemaException $wrong) {
            throw new FaultyLayout($where, $wrong->getMessage());
        }
        if ($field->fallback() !== null && $fault !== null) {
            throw new FaultyLayout(self::at($where, 'default'), $fault->reason);
        }
    }

    /**
     * @param  array<mixed>  $object
     * @param  list<string>  $keywords
     */
    private static function known(array $object, array $keywords, string $where): void
    {
        foreach (array_keys($object) as $keyword) {
            if (! in_array($keyword, $keywords, true)) {
                throw new FaultyLayout(
                    self::at($where, (string) $keyword),
                    'This keyword is not known here. These are: '.implode(', ', $keywords).'.',
                );
            }
        }
    }

    /** @return array<mixed> */
    private static function object(mixed $value, string $where): array
    {
        return is_array($value) && ($value === [] || ! array_is_list($value)) ? $value : throw new FaultyLayout($where, 'This is an object.');
    }

    /** @param  array<mixed>  $object */
    private static function text(array $object, string $keyword, string $where): string
    {
        $text = $object[$keyword] ?? null;

        return is_string($text) && trim($text) !== '' ? $text : throw new FaultyLayout(self::at($where, $keyword), 'This is a text, and needed.');
    }

    private static function at(string $where, string $then): string
    {
        return $where === '' ? $then : "$where.$then";
    }
}

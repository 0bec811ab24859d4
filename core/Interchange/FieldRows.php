<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\Identity;
use Heronstem\Core\Tree\FieldValues;

/**
 * The fields of all pages of one layout as a table (CSV by RFC 4180, or JSON Lines): a column for each, named `fields.` and its key.
 * Rows of a field stand under each other in one cell, their fields apart by ` | `. A column that is missing leaves its field; an
 * empty cell empties it.
 */
final readonly class FieldRows
{
    /**
     * @param  \Closure(string): ?string  $addressOf  address of a page, by its identity
     * @param  \Closure(string): ?string  $pageAt  identity of the page at an address
     */
    public function __construct(private Layout $layout, private \Closure $addressOf, private \Closure $pageAt)
    {
    }

    public function head(): string
    {
        return Table::csv(['id', 'address', ...array_map(static fn (LayoutField $field): string => "fields.{$field->key}", $this->layout->fields)]);
    }

    public function write(string $id, string $address, FieldValues $values): string
    {
        return Table::csv([
            $id,
            $address,
            ...array_map(fn (LayoutField $field): string => $this->cell($field, $values->values[$field->key] ?? null), $this->layout->fields),
        ]);
    }

    /** @return iterable<FieldRow> */
    public function read(string $text): iterable
    {
        foreach (Table::rows($text) as $line => $cells) {
            yield $this->row($line, $cells);
        }
    }

    /** @param  array<string, string>  $cells */
    private function row(int $line, array $cells): FieldRow
    {
        $id = $cells['id'] ?? '';
        $address = mb_substr($cells['source'] ?? '', 0, 2000);
        $problem = PageRow::fault($cells);
        $fields = [];
        foreach ($cells as $column => $cell) {
            $key = str_starts_with($column, 'fields.') ? substr($column, 7) : null;
            $field = $key === null ? null : $this->layout->field($key);
            if ($field !== null) {
                $fields[$field->key] = $this->value($field, $cell);
            } elseif ($key !== null) {
                $problem ??= [$column, "The layout {$this->layout->name} has no such field."];
            }
        }

        return new FieldRow($line, Identity::names($id) ? $id : '', $address, $fields, $problem);
    }

    /** What a field says, as it stands in a cell. */
    public function cell(LayoutField $field, mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'yes' : 'no',
            $field->kind === FieldKind::Page => ($this->addressOf)((string) ($value['page'] ?? '')) ?? (string) ($value['page'] ?? ''),
            $field->kind === FieldKind::File => (string) ($value['file'] ?? ''),
            $field->kind === FieldKind::Picture => trim(($value['file'] ?? '').' '.($value['alt'] ?? '')),
            $field->kind === FieldKind::Rows => implode(
                "\n",
                array_map(
                    fn (mixed $row): string => (string) preg_replace(
                        '/(?: \|\s*)+$/D',
                        '',
                        implode(
                            ' | ',
                            array_map(
                                fn (LayoutField $column): string => self::escaped(
                                    $this->cell($column, is_array($row) ? $row[$column->key] ?? null : null),
                                ),
                                $field->columns,
                            ),
                        ),
                    ),
                    is_array($value) ? $value : [],
                ),
            ),
            is_scalar($value) => (string) $value,
            default => '',
        };
    }

    /** What stands in a cell, as a change takes it; null for nothing. */
    public function value(LayoutField $field, string $cell): mixed
    {
        $cell = trim($cell);

        return match (true) {
            $cell === '' => null,
            $field->kind === FieldKind::Page => ['page' => Identity::names($cell) ? $cell : ($this->pageAt)($cell) ?? $cell],
            $field->kind === FieldKind::Picture => array_filter(['file' => substr($cell, 0, 26), 'alt' => trim(substr($cell, 26))]),
            $field->kind === FieldKind::Rows => $this->rows($field, $cell),
            default => $cell,
        };
    }

    /** @return list<array<string, mixed>> */
    private function rows(LayoutField $field, string $cell): array
    {
        $rows = [];
        foreach (preg_split('/\R/u', $cell) ?: [] as $line) {
            $parts = array_map(self::unescaped(...), preg_split('/(?<!\\\\)(?:\\\\\\\\)*\K\|/', $line) ?: []);
            $row = [];
            foreach ($field->columns as $i => $column) {
                $row[$column->key] = $this->value($column, $parts[$i] ?? '');
            }
            $rows[] = $row;
        }

        return $rows;
    }

    private static function escaped(string $cell): string
    {
        return str_replace(['\\', '|', "\n"], ['\\\\', '\\|', '\\n'], $cell);
    }

    private static function unescaped(string $part): string
    {
        return (string) preg_replace_callback('/\\\\([\\\\|n])/', static fn (array $sign): string => $sign[1] === 'n' ? "\n" : $sign[1], trim($part));
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

/** One field of a layout, or one column of its rows. */
final readonly class LayoutField
{
    /**
     * @param  array<string, mixed>  $schema  as the layout writes it (JSON Schema 2020-12), `$ref` naming its kind
     * @param  list<self>  $columns  of rows only
     * @param  list<string>  $needed  keys of the columns that every row has
     */
    public function __construct(
        public string $key,
        public string $title,
        public FieldKind $kind,
        public array $schema,
        public bool $isNeeded = false,
        public array $columns = [],
        public array $needed = [],
    ) {
    }

    /** A first glance at a value that was held against the schema when it was set: thousands of them, where that would take long. */
    public function mayHold(mixed $value): bool
    {
        return match ($this->kind) {
            FieldKind::Choice => is_string($value) && isset($this->choices()[$value]),
            FieldKind::Money => is_string($value) && is_numeric($value),
            FieldKind::Text, FieldKind::LongText, FieldKind::Date => is_string($value),
            FieldKind::Number => is_int($value) || is_float($value),
            FieldKind::YesNo => is_bool($value),
            FieldKind::Page, FieldKind::File, FieldKind::Picture, FieldKind::Rows => is_array($value),
        };
    }

    /** Whether its values stand under each other by their digits. */
    public function isNumeric(): bool
    {
        return in_array($this->kind, [FieldKind::Number, FieldKind::Money], true);
    }

    public function description(): string
    {
        return $this->text('description');
    }

    /** Whether its rows say what fields the pages below have. */
    public function defines(): bool
    {
        return ($this->schema['defines'] ?? false) === true;
    }

    /** @return list<string> of such rows: keys that fields of the pages below cannot have, since their layout has them */
    public function reserved(): array
    {
        return array_values(array_filter((array) ($this->schema['reserved'] ?? []), is_string(...)));
    }

    /** What stands where rows are empty: the layout's own sentence. */
    public function emptySentence(): string
    {
        return $this->text('empty');
    }

    /** What is shown where a page says nothing; null for none. */
    public function fallback(): mixed
    {
        return $this->schema['default'] ?? null;
    }

    public function withFallback(mixed $value): self
    {
        return new self($this->key, $this->title, $this->kind, ['default' => $value] + $this->schema, $this->isNeeded, $this->columns, $this->needed);
    }

    /** Of money: ISO 4217. */
    public function currency(): string
    {
        return $this->text('currency');
    }

    /** Of a number: what it counts, e.g. `min` or `m`. */
    public function unit(): string
    {
        return $this->text('unit');
    }

    /** Of a number: whether its thousands stand apart; those of a year do not. */
    public function groups(): bool
    {
        return ($this->schema['grouping'] ?? true) !== false;
    }

    /** @return array<string, string> of a choice: what each is called, by value */
    public function choices(): array
    {
        $choices = [];
        foreach (is_array($this->schema['oneOf'] ?? null) ? $this->schema['oneOf'] : [] as $choice) {
            $choices[$choice['const']] = $choice['title'];
        }

        return $choices;
    }

    /** Of a picture: width by height, where the layout crops it; null for as it is. */
    public function proportions(): ?float
    {
        return preg_match('/^(\d+):(\d+)$/', $this->text('proportions'), $of) === 1 ? (int) $of[1] / (int) $of[2] : null;
    }

    /** @return array{int, int} least width and height of a picture, px */
    public function leastSize(): array
    {
        return [(int) ($this->schema['minWidth'] ?? 1), (int) ($this->schema['minHeight'] ?? 1)];
    }

    public function column(string $key): ?self
    {
        foreach ($this->columns as $column) {
            if ($column->key === $key) {
                return $column;
            }
        }

        return null;
    }

    /** The property of schema.org that the layout maps it to; null for none. */
    public function property(): ?string
    {
        return $this->text('property') ?: null;
    }

    private function text(string $keyword): string
    {
        return is_string($this->schema[$keyword] ?? null) ? $this->schema[$keyword] : '';
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\FieldValues;

/** How a page looks, by the fields that it has besides its content. */
final readonly class Layout
{
    /**
     * @param  string  $key  the name of its folder
     * @param  string  $description  a line on what it is for
     * @param  list<LayoutField>  $fields  in the order of the form
     * @param  string|null  $type  of schema.org, for what its fields describe; null where they describe nothing by themselves
     * @param  string|null  $fieldsFrom  key of the layout of groups, which give the pages below them further fields
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $description,
        public array $fields = [],
        public ?string $type = null,
        public ?string $fieldsFrom = null,
    ) {
    }

    /** The field in which a group says what fields the pages below it have; null where its pages are no groups. */
    public function definition(): ?LayoutField
    {
        foreach ($this->fields as $field) {
            if ($field->defines()) {
                return $field;
            }
        }

        return null;
    }

    /**
     * With what groups above a page add, before its own; what has the key of an own one is left out.
     *
     * @param  list<LayoutField>  $fields
     */
    public function below(array $fields): self
    {
        $added = array_values(array_filter($fields, fn (LayoutField $field): bool => $this->field($field->key) === null));

        return new self($this->key, $this->name, $this->description, [...$added, ...$this->fields], $this->type, $this->fieldsFrom);
    }

    public function field(string $key): ?LayoutField
    {
        foreach ($this->fields as $field) {
            if ($field->key === $key) {
                return $field;
            }
        }

        return null;
    }

    /**
     * With what a site says where its pages say nothing; what a field does not take any more is passed over.
     *
     * @param  array<string, mixed>  $defaults  by field
     */
    public function withDefaults(array $defaults): self
    {
        $fields = array_map(
            fn (LayoutField $field): LayoutField => isset($defaults[$field->key]) && $this->takes($field->key, $defaults[$field->key])
                ? $field->withFallback($defaults[$field->key])
                : $field,
            $this->fields,
        );

        return $defaults === [] ? $this : new self($this->key, $this->name, $this->description, $fields, $this->type, $this->fieldsFrom);
    }

    /**
     * The values with those given, each brought into the form of its kind and checked.
     *
     * @param  array<mixed>  $given  by field; null or blank for none
     *
     * @throws InputRefused naming the field, in rows also row and column, e.g. `fields.fares.2.price`
     */
    public function changed(FieldValues $values, array $given): FieldValues
    {
        $read = [];
        foreach ($given as $key => $value) {
            $field = $this->field((string) $key);
            if ($field === null) {
                throw new InputRefused("fields.$key", $this->hasNot((string) $key));
            }
            $is = FieldInput::read($field, $value, "fields.{$field->key}");
            if ($is !== null) {
                FieldCheck::guard($field, $is);
            }
            if ($field->defines() && is_array($is)) {
                $is = ItemFields::settled($is, $field->reserved(), "fields.{$field->key}");
            }
            $read[$field->key] = $field->kind === FieldKind::Rows && is_array($is) ? array_values($is) : $is;
        }

        return $values->with($read);
    }

    /** What a page of the layout $from says, when it gets this one; where that is the same one, nothing changes. */
    public function relaid(FieldValues $values, string $from): FieldValues
    {
        return $from === $this->key
            ? $values
            : $values->relaid($from, $this->key, fn (string $field, mixed $value): bool => $this->takes($field, $value));
    }

    /**
     * Of these values those that the layout takes.
     *
     * @param  array<string, mixed>  $values  by field
     * @return array<string, mixed>
     */
    public function taken(array $values): array
    {
        return array_filter($values, fn (mixed $value, string $key): bool => $this->takes($key, $value), ARRAY_FILTER_USE_BOTH);
    }

    public function takes(string $key, mixed $value): bool
    {
        $field = $this->field($key);

        return $field !== null && FieldCheck::fault($field, $value) === null;
    }

    private function hasNot(string $key): string
    {
        $names = implode(', ', array_map(static fn (LayoutField $field): string => $field->key, $this->fields));

        return "The layout {$this->name} has no field “{$key}”. ".($names === '' ? 'It has none.' : "It has $names.");
    }
}

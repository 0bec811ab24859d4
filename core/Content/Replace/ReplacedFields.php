<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Replace;

use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\Tree\FieldValues;

/** The texts in the fields of a page, each with what was found in it. */
final class ReplacedFields
{
    /** @var list<array{0: string, 1: string, 2: Found}> where, the text, and the place in it */
    public array $found = [];

    /** @param  \Closure(string, int): bool  $takes  whether a place is replaced, by where it stands and its number there */
    private function __construct(private readonly Replacement $replacement, private readonly \Closure $takes)
    {
    }

    /**
     * @param  \Closure(string, int): bool  $takes
     * @return array{FieldValues, list<array{0: string, 1: string, 2: Found}>}
     */
    public static function of(FieldValues $values, Layout $layout, Replacement $replacement, \Closure $takes): array
    {
        $self = new self($replacement, $takes);
        $changed = [];
        foreach ($layout->fields as $field) {
            $was = $values->values[$field->key] ?? null;
            $is = $was === null ? null : $self->value($field, $was, $field->key);
            // What stays is not held against the layout again: it may be from before the layout was another.
            if ($is !== $was) {
                $changed[$field->key] = $is;
            }
        }

        return [$self->found === [] ? $values : $layout->changed($values, $changed), $self->found];
    }

    private function value(LayoutField $field, mixed $value, string $where): mixed
    {
        if ($field->kind === FieldKind::Rows && is_array($value)) {
            foreach ($value as $i => $row) {
                foreach ($field->columns as $column) {
                    // By keys and choices other pages say which values are meant: they are not texts to be mended.
                    $isName = ! $field->defines() || $column->key === 'name';
                    if (isset($row[$column->key]) && $isName) {
                        $value[$i][$column->key] = $this->value($column, $row[$column->key], "$where.$i.{$column->key}");
                    }
                }
            }

            return $value;
        }
        if ($field->kind === FieldKind::Picture && is_array($value) && is_string($value['alt'] ?? null)) {
            return [...$value, 'alt' => $this->text($value['alt'], "$where.alt")];
        }

        return in_array($field->kind, [FieldKind::Text, FieldKind::LongText], true) && is_string($value) ? $this->text($value, $where) : $value;
    }

    private function text(string $text, string $where): string
    {
        $taken = [];
        foreach ($this->replacement->in($text) as $n => $each) {
            $this->found[] = [$where, $text, $each];
            if (($this->takes)($where, $n)) {
                $taken[] = $each;
            }
        }

        return Replacement::made($text, $taken);
    }
}

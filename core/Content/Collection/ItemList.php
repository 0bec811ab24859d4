<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Collection;

use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\LayoutField;

/** The items of a collection as a visitor asked for them. */
final readonly class ItemList
{
    /** @var array<string, LayoutField> */
    private array $fields;

    private \Collator $collator;

    /**
     * @param  list<LayoutField>  $fields
     * @param  string  $language  BCP 47, by which texts are sorted
     */
    public function __construct(array $fields, string $language)
    {
        $this->fields = array_column($fields, null, 'key');
        $this->collator = new \Collator($language);
        $this->collator->setAttribute(\Collator::NUMERIC_COLLATION, \Collator::ON);
    }

    /**
     * Those asked for, sorted as asked; items that say nothing in the field sorted by come last either way, and equal ones stay in
     * the order given.
     *
     * @param  list<Item>  $items  in the order that the group has
     * @return list<Item>
     */
    public function of(array $items, ListTerms $terms): array
    {
        $asked = array_values(array_filter($items, fn (Item $item): bool => $this->isAsked($item, $terms)));
        if ($terms->sort === null) {
            return $asked;
        }
        [$by, $known, $unknown] = [[], [], []];
        foreach ($asked as $at => $item) {
            $by[$at] = $this->sortValue($item, $terms->sort);
            $by[$at] === null ? ($unknown[] = $item) : ($known[] = $at);
        }
        usort($known, fn (int $one, int $other): int => ($terms->isDescending ? -1 : 1) * $this->compared($by[$one], $by[$other]) ?: $one <=> $other);

        return [...array_map(static fn (int $at): Item => $asked[$at], $known), ...$unknown];
    }

    private function isAsked(Item $item, ListTerms $terms): bool
    {
        foreach ($terms->is as $key => $wanted) {
            $value = $item->values[$key] ?? null;
            if ((is_bool($value) ? ($value ? 'yes' : 'no') : $value) !== $wanted) {
                return false;
            }
        }
        foreach ($terms->from as $key => $bound) {
            $value = $item->values[$key] ?? null;
            if ($value === null || $this->comparedIn($key, $value, $bound) < 0) {
                return false;
            }
        }
        foreach ($terms->to as $key => $bound) {
            $value = $item->values[$key] ?? null;
            if ($value === null || $this->comparedIn($key, $value, $bound) > 0) {
                return false;
            }
        }

        return true;
    }

    private function comparedIn(string $key, mixed $value, string $bound): int
    {
        return $this->fields[$key]->kind === FieldKind::Date ? strcmp((string) $value, $bound) : (float) $value <=> (float) $bound;
    }

    private function sortValue(Item $item, string $key): string|float|null
    {
        if ($key === ListTerms::NAME) {
            return $item->name;
        }
        [$field, $value] = [$this->fields[$key], $item->values[$key] ?? null];

        return match (true) {
            $value === null => null,
            $field->isNumeric(), $field->kind === FieldKind::YesNo => (float) $value,
            // In the order in which they are offered: small, medium, large.
            $field->kind === FieldKind::Choice => (float) array_search((string) $value, array_map(strval(...), array_keys($field->choices())), true),
            default => (string) $value,
        };
    }

    private function compared(string|float|null $one, string|float|null $other): int
    {
        return is_string($one) && is_string($other) ? (int) $this->collator->compare($one, $other) : $one <=> $other;
    }
}

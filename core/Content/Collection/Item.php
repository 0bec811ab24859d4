<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Collection;

use Heronstem\Core\Content\Layout\LayoutField;

/** A page of a collection, by what it is sorted and filtered by. */
final readonly class Item
{
    /** @param  array<string, mixed>  $values  by field */
    private function __construct(public string $id, public string $name, public array $values)
    {
    }

    /**
     * Of its values those that can be what the fields hold: a group may have been given others since.
     *
     * @param  list<LayoutField>  $fields
     * @param  array<string, mixed>  $values  as the page keeps them
     */
    public static function of(string $id, string $name, array $fields, array $values): self
    {
        $said = [];
        foreach ($fields as $field) {
            if (isset($values[$field->key]) && $field->mayHold($values[$field->key])) {
                $said[$field->key] = $values[$field->key];
            }
        }

        return new self($id, $name, $said);
    }
}

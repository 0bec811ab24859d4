<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\Content\Files;

/** What a page's fields describe, as a node of linked data (JSON-LD 1.1), by the properties of schema.org that its layout maps them to. */
final readonly class LinkedFields
{
    /**
     * @param  string  $origin  of the site, for whole URLs
     * @param  \Closure(string): (array{name: string, address: string}|null)  $page  a page that visitors see, by its identity
     */
    public function __construct(private string $origin, private Files $files, private \Closure $page)
    {
    }

    /**
     * @param  array<string, mixed>  $values  by field
     * @param  array<string, string>  $about  what the node says besides, e.g. its name and URL
     * @return array<string, mixed> nothing where the layout describes nothing
     */
    public function node(Layout $layout, array $values, array $about): array
    {
        return $layout->type === null ? [] : ['@type' => $layout->type, ...array_filter($about), ...$this->properties($layout->fields, $values)];
    }

    /**
     * @param  list<LayoutField>  $fields
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private function properties(array $fields, array $values): array
    {
        $said = [];
        foreach ($fields as $field) {
            $property = $field->property();
            $value = $property === null || ! isset($values[$field->key]) ? null : $this->value($field, $values[$field->key]);
            if ($value === null || $value === []) {
                continue;
            }
            $said[(string) $property] = isset($said[(string) $property]) ? [...(array) $said[(string) $property], ...(array) $value] : $value;
            if ($field->kind === FieldKind::Money && $property === 'price') {
                $said['priceCurrency'] = $field->currency();
            }
        }

        return $said;
    }

    private function value(LayoutField $field, mixed $value): mixed
    {
        return match ($field->kind) {
            FieldKind::Page => $this->ofPage(is_array($value) ? (string) ($value['page'] ?? '') : ''),
            FieldKind::Picture => $this->whole($this->files->picture(is_array($value) ? (string) ($value['file'] ?? '') : '')?->address),
            FieldKind::File => $this->whole($this->files->file(is_array($value) ? (string) ($value['file'] ?? '') : '')?->address),
            FieldKind::Choice => is_string($value) ? $field->choices()[$value] ?? null : null,
            FieldKind::Rows => $this->rows($field, is_array($value) ? $value : []),
            default => $value,
        };
    }

    /** @return array<string, mixed>|null */
    private function ofPage(string $id): ?array
    {
        $page = ($this->page)($id);

        return $page === null ? null : ['@type' => 'Thing', 'name' => $page['name'], 'url' => $this->origin.$page['address']];
    }

    private function whole(?string $address): ?string
    {
        return $address === null ? null : $this->origin.$address;
    }

    /**
     * @param  array<mixed>  $rows
     * @return list<array<string, mixed>>
     */
    private function rows(LayoutField $field, array $rows): array
    {
        $items = $field->schema['items'] ?? null;
        $type = is_array($items) && is_string($items['schemaType'] ?? null) ? ['@type' => $items['schemaType']] : [];

        return array_values(array_map(fn (mixed $row): array => [...$type, ...$this->properties($field->columns, is_array($row) ? $row : [])], $rows));
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\Page;

/** The layouts that pages of a site may have. */
final readonly class Layouts
{
    /** @var array<string, Layout> by key */
    public array $all;

    /** @param  list<Layout>  $layouts  in the order in which they are offered; none where any is taken */
    public function __construct(array $layouts = [])
    {
        $this->all = array_column($layouts, null, 'key');
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->all));
    }

    /** @param  array<array-key, array<string, mixed>>  $defaults  what a site says where its pages say nothing, by layout and field */
    public function withDefaults(array $defaults): self
    {
        return $defaults === []
            ? $this
            : new self(
                array_values(array_map(static fn (Layout $layout): Layout => $layout->withDefaults($defaults[$layout->key] ?? []), $this->all)),
            );
    }

    /** One that is not there, or cannot be used, is one without fields. */
    public function of(string $key): Layout
    {
        return $this->all[$key] ?? new Layout($key, $key, '');
    }

    /**
     * The layout as a page has it at its place: with the fields that groups above it give. What somebody saved there counts,
     * published or not: who writes uses it.
     *
     * @param  list<Page>  $above  the nearest first
     */
    public function at(string $key, array $above): Layout
    {
        $layout = $this->of($key);
        $groups = array_filter($above, static fn (Page $page): bool => $page->layout === $layout->fieldsFrom);

        return $this->below($layout, array_map(static fn (Page $page): FieldValues => $page->working()->fields, array_values($groups)));
    }

    /**
     * The layout with the fields that groups give.
     *
     * @param  list<FieldValues>  $groups  what stands in the fields of the groups above a page, the nearest first
     */
    public function below(Layout $layout, array $groups): Layout
    {
        $definition = $layout->fieldsFrom === null ? null : $this->of($layout->fieldsFrom)->definition();

        return $definition === null ? $layout : $layout->below(self::given($definition, $groups));
    }

    /**
     * The fields that groups give the pages below them.
     *
     * @param  LayoutField  $definition  of their layout
     * @param  list<FieldValues>  $groups  what stands in their fields, the nearest first
     * @return list<LayoutField> those of the outermost first
     */
    public static function given(LayoutField $definition, array $groups): array
    {
        $rows = array_map(static fn (FieldValues $values): mixed => $values->values[$definition->key] ?? [], $groups);

        return ItemFields::of(array_values(array_filter($rows, is_array(...))));
    }

    /** @throws InputRefused where there is no such layout */
    public function guard(string $key, string $field = 'layout'): void
    {
        if ($this->all !== [] && ! isset($this->all[$key])) {
            throw new InputRefused($field, 'A layout is one of '.implode(', ', $this->keys()).'.');
        }
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Workspace\Workspace;

/** Sets what stands in fields of a layout on every page of the site that says nothing there itself. */
final readonly class SetFieldDefaults implements RequestedChange
{
    use HasShape;

    /** @param  array<mixed>  $fields  by key; null or blank to leave it to the layout */
    public function __construct(public string $layout, public array $fields)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-field-defaults',
            Subject::Whole,
            Field::text('layout'),
            Field::map('fields', 'what stands in fields of which a page says nothing, by their keys; null to leave it to the layout'),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $fields = $input->map('fields');

        return new self($input->text('layout'), $fields === [] ? throw new InputRefused('fields', 'Say of which fields.') : $fields);
    }

    public function on(Workspace $workspace): void
    {
        $workspace->site->layouts->guard($this->layout);
        $now = $workspace->search();
        $was = $now->fieldDefaults[$this->layout] ?? [];
        $values = $workspace->site->layouts->of($this->layout)->changed(new FieldValues($was), $this->fields)->values;
        $set = $now->withFieldDefaults($this->layout, $values);
        if ($set->toText() === $now->toText()) {
            throw new NothingToChange('fields', 'This stands there already.');
        }
        $workspace->setSearch($set);
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return "Changed defaults of fields of the layout {$this->layout}";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-field-defaults', 'layout' => $this->layout, 'fields' => $this->fields];
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/**
 * Copies a page, or its branch, beside it or to a place that is chosen. Copies are drafts; the first is named
 * as is said, or “… copy”, and its slug follows its name; each gets a slug that is free. Which page is a copy of which is told to whoever copies the content.
 */
final readonly class Duplicate implements RequestedChange
{
    use HasShape;

    /**
     * @param  string  $copy the copy's identity, chosen by whoever makes it (a ULID); those of the pages below follow from it
     * @param  PageName|null  $name  of the copy
     */
    public function __construct(
        public string $page,
        public string $copy,
        public Scope $scope = Scope::Page,
        public ?Place $place = null,
        public ?PageName $name = null,
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'duplicate',
            Subject::Branches,
            Field::identity('copy', 'a new ULID for the copy'),
            Field::choice('scope', Scope::class)->optional(),
            Field::place()->optional(),
            Field::text('name', 'of the copy')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->newIdentity('copy'), $input->scope(), $input->placeOrNull(), $input->nameOrNull());
    }

    public function on(Workspace $workspace): void
    {
        $source = $workspace->pages->page($this->page);
        $below = $this->scope === Scope::Branch ? array_slice($workspace->pages->branch($source->id), 1) : [];
        CopiedPages::make(
            [$source->id, ...$below],
            static fn (string $id): Page => $workspace->pages->page($id),
            $this->copy,
            'copy',
            $this->place ?? Place::after($source->id),
            fn (Page $copy): Page => $this->named($copy, $workspace),
            $workspace,
        );
    }

    public function pagesNamed(): array
    {
        return array_values(array_filter([$this->page, $this->copy, $this->place?->page]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Duplicated {$outcome->page($this->page)}{$this->scope->inWords()}";
    }

    public function toArray(): array
    {
        return ['kind' => 'duplicate', 'page' => $this->page, 'copy' => $this->copy] +
            $this->scope->toArray() +
            ($this->place === null ? [] : ['place' => $this->place->toArray()]) +
            ($this->name === null ? [] : ['name' => $this->name->text]);
    }

    private function named(Page $copy, Workspace $workspace): Page
    {
        $name = ($this->name ?? PageName::of(mb_substr($copy->name, 0, PageName::MAX_LENGTH - 5).' copy'))->text;

        return $copy->named($name)->withSlug((new SlugMaker($workspace->rules()))->make($name), false);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/** Brings a page and what went into the bin along with it back: to where it was, or to a place that is chosen. */
final readonly class BringBack implements RequestedChange
{
    use HasShape;

    public function __construct(public string $page, public ?Place $place = null, public RestoredState $state = RestoredState::AsItWas)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('bring-back', Subject::Pages, Field::place()->optional(), Field::choice('state', RestoredState::class)->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->placeOrNull(), $input->choice('state', RestoredState::AsItWas));
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->known($this->page);
        if (! $page->isBinned()) {
            throw new NothingToChange('page', "“{$page->name}” is not in the bin.");
        }
        if ($page->bin !== $page->id) {
            $with = $workspace->pages->known((string) $page->bin)->name;
            throw new InputRefused('page', "“{$page->name}” went into the bin with “{$with}”. Bring “{$with}” back.");
        }
        $branch = $workspace->pages->branch($page->id);
        [$parent, $position] =
            $this->place === null
                ? $this->oldPlace($page, $workspace)
                : [$this->place->parentIn($workspace), $this->place->positionIn($workspace, $page->id)];
        foreach ($branch as $id) {
            $each = $workspace->pages->known($id);
            $state = $each->was ?? PageState::Draft;
            $workspace->pages->put(
                $each->with([
                    'state' => $state === PageState::Live && $this->state === RestoredState::Offline ? PageState::Offline : $state,
                    'was' => null,
                    'bin' => null,
                    ...$id === $page->id ? ['parent' => $parent, 'position' => $position] : [],
                ]),
            );
        }
    }

    public function pagesNamed(): array
    {
        return array_values(array_filter([$this->page, $this->place?->page]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Brought {$outcome->page($this->page)} back";
    }

    public function toArray(): array
    {
        return ['kind' => 'bring-back', 'page' => $this->page] +
            ($this->place === null ? [] : ['place' => $this->place->toArray()]) +
            ($this->state === RestoredState::AsItWas ? [] : ['state' => $this->state->value]);
    }

    /** @return array{string|null, int} */
    private function oldPlace(Page $page, Workspace $workspace): array
    {
        $parent = $page->parent === null ? null : $workspace->pages->find($page->parent);
        if ($page->parent !== null && ($parent === null || $parent->isBinned())) {
            throw new InputRefused(
                'place',
                $parent === null
                    ? "The page that “{$page->name}” was inside is gone. Choose another place."
                    : "“{$parent->name}”, where “{$page->name}” was, is in the bin too. Bring that back first, or choose another place.",
            );
        }
        $sibling = array_search($page->position, $workspace->pages->childOrder($page->parent), true);

        return [$page->parent, $sibling === false ? $page->position : Place::after((string) $sibling)->positionIn($workspace, $page->id)];
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Workspace;

/** Hides a live page, or a branch of them, from visitors; each keeps its place, content and address. */
final readonly class TakeOffline implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public Scope $scope = Scope::Page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('take-offline', Subject::Pages, Field::choice('scope', Scope::class)->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->scope());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $below = $this->scope === Scope::Page ? [] : array_slice($workspace->pages->branch($page->id), 1);
        $live = array_filter([$page, ...array_map($workspace->pages->page(...), $below)], static fn (Page $each): bool => $each->isLive());
        if ($live === []) {
            throw new NothingToChange('page', "“{$page->name}” is not live: visitors do not see it, so there is nothing to take offline.");
        }
        foreach ($live as $each) {
            $ended = $each->until !== null && ! $each->until->isAfter($workspace->now()) ? $each->until : null;
            $workspace->pages->put($each->inState(PageState::Offline)->with(['from' => null, 'until' => $ended]));
        }
    }

    public function sentence(Outcome $outcome): string
    {
        return "Took {$outcome->page($this->page)}{$this->scope->inWords()} offline";
    }

    public function toArray(): array
    {
        return ['kind' => 'take-offline', 'page' => $this->page] + $this->scope->toArray();
    }
}

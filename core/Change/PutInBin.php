<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/** Retires a page with everything below it. It waits in the bin to be brought back or deleted for good. */
final readonly class PutInBin implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('put-in-bin', Subject::Branches);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->known($this->page);
        if ($page->isBinned()) {
            throw new NothingToChange('page', "“{$page->name}” is in the bin already.");
        }
        $below = array_slice($workspace->pages->branch($page->id), 1);
        if ($below !== [] && $this->childrenMoveUp($page, $below, $workspace)) {
            $below = [];
        }
        foreach ([$page->id, ...$below] as $id) {
            $each = $workspace->pages->page($id);
            $this->guard($each, $page, $workspace);
            $workspace->pages->put($each->with(['state' => PageState::Binned, 'was' => $each->state, 'bin' => $page->id]));
        }
    }

    public function sentence(Outcome $outcome): string
    {
        $along = $outcome->binnedAlong();

        return "Put {$outcome->page($this->page)} in the bin".($along > 0 ? ' with '.Wording::count($along, 'page').' below' : '');
    }

    public function toArray(): array
    {
        return ['kind' => 'put-in-bin', 'page' => $this->page];
    }

    /** @param  list<string>  $below */
    private function childrenMoveUp(Page $page, array $below, Workspace $workspace): bool
    {
        $visible = array_filter($below, static fn (string $id): bool => $workspace->pages->page($id)->isLive());
        $decided = $workspace->ask(
            QuestionKind::ChildrenOf,
            $page,
            count($below),
            QuestionKind::ChildrenOf->answers(),
            Answer::Along,
            $visible !== [],
        );
        if ($decided?->answer !== Answer::Up) {
            return false;
        }
        foreach (array_keys($workspace->pages->childOrder($page->id)) as $child) {
            $position = Place::before($page->id)->positionIn($workspace, (string) $child);
            $workspace->pages->put($workspace->pages->page((string) $child)->placed($page->parent, $position));
        }

        return true;
    }

    private function guard(Page $each, Page $root, Workspace $workspace): void
    {
        $inside = $each->id === $root->id ? '' : " lies inside “{$root->name}” and";
        if ($each->id === $workspace->startPageSignedIn()) {
            throw new InputRefused(
                'page',
                "“{$each->name}”$inside is the start page of signed-in people. Give them another one first, or the same as visitors.",
            );
        }
        if ($each->id === $workspace->startPage()) {
            throw new InputRefused(
                'page',
                "“{$each->name}”$inside is the start page; without it visitors of / would get nothing. Make another page the start page first.",
            );
        }
        if ($workspace->isProtectedFrom($each)) {
            throw new InputRefused(
                'page',
                "“{$each->name}”$inside is protected: only the owner of the site retires it. Ask them, or leave it where it is.",
            );
        }
    }
}

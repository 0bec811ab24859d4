<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Workspace;

/** Shows a page, or its whole branch, to visitors from now on, with the content and texts saved last. Drafts below it are asked about. */
final readonly class GoLive implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public Scope $scope = Scope::Page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('go-live', Subject::Pages, Field::choice('scope', Scope::class)->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->scope());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $below = $this->scope === Scope::Page ? [] : array_slice($workspace->pages->branch($page->id), 1);
        if ($page->isLive() && $below === []) {
            throw new NothingToChange('page', "“{$page->name}” is live already.");
        }
        $workspace->pages->put($this->live($page, $workspace));
        $drafts = [];
        foreach ($below as $id) {
            $each = $workspace->pages->page($id);
            match ($each->state) {
                PageState::Draft, PageState::InReview => ($drafts[] = $each),
                PageState::Offline => $workspace->pages->put($this->live($each, $workspace)),
                default => null,
            };
        }
        if ($drafts !== [] && $this->draftsToo($page, count($drafts), $workspace)) {
            foreach ($drafts as $draft) {
                $workspace->pages->put($this->live($draft, $workspace));
            }
        }
    }

    public function sentence(Outcome $outcome): string
    {
        return "Put {$outcome->page($this->page)}{$this->scope->inWords()} live";
    }

    public function toArray(): array
    {
        return ['kind' => 'go-live', 'page' => $this->page] + $this->scope->toArray();
    }

    private function live(Page $page, Workspace $workspace): Page
    {
        $ends = $page->until !== null && $page->until->isAfter($workspace->now()) ? $page->until : null;

        return $page->isLive()
            ? $page
            : $page
                ->inState(PageState::Live)
                ->with(['from' => null, 'until' => $ends])
                ->published();
    }

    private function draftsToo(Page $page, int $drafts, Workspace $workspace): bool
    {
        return $workspace->ask(QuestionKind::DraftsBelow, $page, $drafts, QuestionKind::DraftsBelow->answers(), Answer::Leave, true)?->answer ===
            Answer::Live;
    }
}

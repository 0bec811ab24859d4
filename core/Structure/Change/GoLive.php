<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\Answer;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\QuestionKind;
use Heronstem\Core\Structure\Reach;
use Heronstem\Core\Structure\State;
use Heronstem\Core\Structure\Workspace;

/** Shows a page, or its whole branch, to visitors from now on, with the words and texts saved last. Drafts below it are asked about. */
final readonly class GoLive implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public Reach $reach = Reach::Page)
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        $below = $this->reach === Reach::Page ? [] : array_slice($workspace->branch($page->id), 1);
        if ($page->isLive() && $below === []) {
            throw new AlreadySo('page', "“{$page->name}” is live already.");
        }
        $workspace->put($this->live($page, $workspace));
        $drafts = [];
        foreach ($below as $id) {
            $each = $workspace->page($id);
            match ($each->state) {
                State::Draft, State::InReview => $drafts[] = $each,
                State::Offline => $workspace->put($this->live($each, $workspace)),
                default => null,
            };
        }
        if ($drafts !== [] && $this->draftsToo($page, count($drafts), $workspace)) {
            foreach ($drafts as $draft) {
                $workspace->put($this->live($draft, $workspace));
            }
        }
    }

    public function toArray(): array
    {
        return ['kind' => 'go-live', 'page' => $this->page] + $this->reach->toArray();
    }

    private function live(Page $page, Workspace $workspace): Page
    {
        $ends = $page->until !== null && $page->until->isAfter($workspace->now()) ? $page->until : null;

        return $page->isLive() ? $page : $page->inState(State::Live)->with(['from' => null, 'until' => $ends])->published();
    }

    private function draftsToo(Page $page, int $drafts, Workspace $workspace): bool
    {
        return $workspace->ask(QuestionKind::DraftsBelow, $page, $drafts, QuestionKind::DraftsBelow->answers(), Answer::Leave, true)?->answer === Answer::Live;
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\Reach;
use Heronstem\Core\Structure\State;
use Heronstem\Core\Structure\Workspace;

/** Hides a live page, or a branch of them, from visitors; each keeps its place, words and address. */
final readonly class TakeOffline implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public Reach $reach = Reach::Page)
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        $below = $this->reach === Reach::Page ? [] : array_slice($workspace->branch($page->id), 1);
        $live = array_filter([$page, ...array_map($workspace->page(...), $below)], static fn (Page $each): bool => $each->isLive());
        if ($live === []) {
            throw new AlreadySo('page', "“{$page->name}” is not live: visitors do not see it, so there is nothing to take offline.");
        }
        foreach ($live as $each) {
            $ended = $each->until !== null && ! $each->until->isAfter($workspace->now()) ? $each->until : null;
            $workspace->put($each->inState(State::Offline)->with(['from' => null, 'until' => $ended]));
        }
    }

    public function toArray(): array
    {
        return ['kind' => 'take-offline', 'page' => $this->page] + $this->reach->toArray();
    }
}

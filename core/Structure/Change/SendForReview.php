<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\State;
use Heronstem\Core\Structure\Workspace;

/** Asks for a look at a page before it goes live, with a line on what to look at. */
final readonly class SendForReview implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public string $note = '')
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if ($page->state === State::InReview || $page->isLive()) {
            throw new AlreadySo('page', "“{$page->name}” is ".($page->isLive() ? 'live' : 'in review').' already.');
        }
        $workspace->put($page->inState(State::InReview)->with(['reviewNote' => $this->note]));
    }

    public function toArray(): array
    {
        return ['kind' => 'send-for-review', 'page' => $this->page, 'note' => $this->note];
    }
}

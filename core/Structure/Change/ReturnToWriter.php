<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\State;
use Heronstem\Core\Structure\Workspace;

/** Gives a page in review back, with a line on what is missing. */
final readonly class ReturnToWriter implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public string $note = '')
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if ($page->state !== State::InReview) {
            throw new AlreadySo('page', "“{$page->name}” is not in review.");
        }
        $workspace->put($page->inState($page->everLive ? State::Offline : State::Draft)->with(['reviewNote' => $this->note]));
    }

    public function toArray(): array
    {
        return ['kind' => 'return', 'page' => $this->page, 'note' => $this->note];
    }
}

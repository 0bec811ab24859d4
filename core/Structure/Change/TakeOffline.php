<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\State;
use Heronstem\Core\Structure\Workspace;

/** Hides a live page from visitors; it keeps its place, words and address. */
final readonly class TakeOffline implements Change
{
    public function __construct(public string $page)
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if ($page->state === State::Draft) {
            throw new ChangeRefused('page', "“{$page->name}” is a draft: visitors do not see it, so there is nothing to take offline.");
        }
        $workspace->put($page->inState(State::Offline));
    }

    public function toArray(): array
    {
        return ['kind' => 'take-offline', 'page' => $this->page];
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\State;
use Heronstem\Core\Structure\Workspace;

/** Shows a page to visitors from now on. */
final readonly class GoLive implements Change
{
    public function __construct(public string $page)
    {
    }

    public function on(Workspace $workspace): void
    {
        $workspace->put($workspace->page($this->page)->inState(State::Live));
    }

    public function toArray(): array
    {
        return ['kind' => 'go-live', 'page' => $this->page];
    }
}

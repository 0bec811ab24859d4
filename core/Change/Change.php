<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** One of the few ways in which the structure changes. */
interface Change
{
    /** As the API, the history and its filter name it, e.g. `put-in-bin`. */
    public function kind(): string;

    /**
     * Makes the change in the workspace.
     *
     * @throws InputRefused when a guard forbids it, naming the field
     */
    public function on(Workspace $workspace): void;

    /** @return list<string> pages it will look for, so that they are read in one go */
    public function pagesNamed(): array;

    /** What it did, for the history: past tense, no full stop. */
    public function sentence(Outcome $outcome): string;

    /** @return array<string, mixed> as the API and the history write it, read again by ChangeReader */
    public function toArray(): array;
}

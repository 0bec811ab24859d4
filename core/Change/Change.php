<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** One of the few ways in which the structure changes. */
interface Change
{
    /**
     * Makes the change in the workspace.
     *
     * @throws InputRefused when a guard forbids it, naming the field
     */
    public function on(Workspace $workspace): void;

    /** @return list<string> pages it will look for, so that they are read in one go */
    public function pagesNamed(): array;

    /** @return array<string, mixed> as the API and the history write it, read again by ChangeReader */
    public function toArray(): array;
}

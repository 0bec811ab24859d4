<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** Whether an agent may fetch an address, and which line of robots.txt decides. */
final readonly class RobotsVerdict
{
    /**
     * @param  RobotsRule|null  $rule  null where no line says anything, so that it may
     * @param  string|null  $group  the agent under whose name the lines stand that hold for it; null where no group does
     */
    public function __construct(public bool $isAllowed, public ?RobotsRule $rule, public ?string $group)
    {
    }
}

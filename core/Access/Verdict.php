<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** Whether somebody may do something somewhere, and the line that decides it. */
final readonly class Verdict
{
    private function __construct(public bool $isYes, public Reason $reason, public ?Line $line)
    {
    }

    public static function owner(): self
    {
        return new self(true, Reason::Owner, null);
    }

    public static function nothingSaid(): self
    {
        return new self(false, Reason::NothingSaid, null);
    }

    public static function by(Line $line): self
    {
        return new self($line->says === Says::Allow, Reason::Line, $line);
    }

    /** For every right but that to see, where even that one is missing. */
    public function asNotSeen(): self
    {
        return new self(false, Reason::NotSeen, $this->line);
    }
}

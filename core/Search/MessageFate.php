<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What became of a message to search engines. */
final readonly class MessageFate
{
    /**
     * @param  string  $state  `taken`, `refused`, or `waiting` for another try
     * @param  int  $wait  seconds to it
     */
    private function __construct(public string $state, public string $says, public int $wait = 0)
    {
    }

    public static function taken(string $says): self
    {
        return new self('taken', $says);
    }

    public static function refused(string $says): self
    {
        return new self('refused', $says);
    }

    public static function later(string $says, int $wait): self
    {
        return new self('waiting', $says, $wait);
    }
}

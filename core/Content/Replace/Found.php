<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Replace;

/** One place in a text, and what would stand there. */
final readonly class Found
{
    /**
     * @param  int  $start  bytes from the beginning of the text
     * @param  string  $is  what stands there; never empty
     */
    public function __construct(public int $start, public string $is, public string $becomes)
    {
    }

    public function end(): int
    {
        return $this->start + strlen($this->is);
    }
}

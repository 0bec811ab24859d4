<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** What a check says of a page: it passes, does not apply, or something was found. */
final readonly class Verdict
{
    /** @param  string|null  $says  what was found, in a sentence */
    private function __construct(public bool $applies, public ?string $says)
    {
    }

    public static function pass(): self
    {
        return new self(true, null);
    }

    public static function doesNotApply(): self
    {
        return new self(false, null);
    }

    public static function found(string $says): self
    {
        return new self(true, $says);
    }

    /** @param  string  $says  of a page that does not pass */
    public static function when(bool $isFound, string $says): self
    {
        return $isFound ? self::found($says) : self::pass();
    }
}

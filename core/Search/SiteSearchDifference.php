<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** Something else is told to search engines for the whole site. */
final readonly class SiteSearchDifference
{
    public function __construct(public string $before, public string $after)
    {
    }

    /** Null when nothing differs. */
    public static function between(SiteSearch $before, SiteSearch $after): ?self
    {
        return $before->toText() === $after->toText() ? null : new self($before->toText(), $after->toText());
    }

    /** @return array{before: string, after: string} */
    public function toArray(): array
    {
        return ['before' => $this->before, 'after' => $this->after];
    }

    /** @param  array{before: string, after: string}|null  $kept  as toArray() gave it */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null ? null : new self($kept['before'], $kept['after']);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** Another page became the start page; null where there was or is none. */
final readonly class StartPageDifference
{
    public function __construct(public ?string $before, public ?string $after)
    {
    }

    /** Null when it is the same page. */
    public static function between(?string $before, ?string $after): ?self
    {
        return $before === $after ? null : new self($before, $after);
    }

    /** @return array{before: string|null, after: string|null} */
    public function toArray(): array
    {
        return ['before' => $this->before, 'after' => $this->after];
    }

    /** @param  array{before: string|null, after: string|null}|null  $kept as toArray gave it */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null ? null : new self($kept['before'], $kept['after']);
    }
}

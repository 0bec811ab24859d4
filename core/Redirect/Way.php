<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** The way of one request, while it is followed. */
final class Way
{
    /** The normal form of what was asked; null before it is known. */
    public ?string $normal = null;

    /** @var list<Hop> */
    public array $hops = [];

    /** @var array<string, true> sections and pointers passed */
    private array $passed = [];

    public function __construct(public readonly string $asked)
    {
    }

    public function goes(string $from, string $to, int $status, string $why): void
    {
        $this->hops[] = new Hop($from, $to, $status, $why);
    }

    public function isNew(Standing $page): bool
    {
        $isNew = ! isset($this->passed[$page->id]);
        $this->passed[$page->id] = true;

        return $isNew;
    }

    public function ends(int $status, string $why): Resolution
    {
        return new Resolution($this->asked, $this->normal ?? '', $this->hops, $status, null, null, null, $why);
    }

    public function arrives(?int $status, string $location, string $why, ?Standing $page = null): Resolution
    {
        return new Resolution($this->asked, $this->normal ?? '', $this->hops, $status, $location, $page?->id, $page?->name, $why);
    }
}

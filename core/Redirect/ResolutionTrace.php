<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** The way of one request, while it is followed. */
final class ResolutionTrace
{
    /** The normal form of what was asked; null before it is known. */
    public ?string $normal = null;

    /** @var list<Hop> */
    public array $hops = [];

    /** The query as it is by now. */
    public Query $query;

    /** Whether the way came back to where it had been, or took too many steps. */
    public bool $isLoop = false;

    /** The last fragment on the way, with its sign: where it leads to keeps it unless that has its own. */
    private string $fragment = '';

    /** @var array<string, true> sections, pointers and addresses passed */
    private array $passed = [];

    public function __construct(public readonly string $asked)
    {
        $this->query = Query::in($asked);
    }

    public function goes(string $from, string $to, int $status, string $why, ?string $rule = null): void
    {
        $this->hops[] = new Hop($from, $to, $status, $why, $rule);
        $this->fragment = strstr($to, '#') ?: $this->fragment;
    }

    /** Whether one more step may be taken from here. */
    public function mayGoOn(string $from): bool
    {
        $this->isLoop = isset($this->passed[$from]) || count($this->hops) >= Resolver::HOPS;
        $this->passed[$from] = true;

        return ! $this->isLoop;
    }

    /** The way that goes on from here after a pause; it knows what this one has passed. */
    public function onward(string $to): self
    {
        $onward = new self($to);
        $onward->passed = $this->passed;

        return $onward;
    }

    /** Where nothing answers at the end of a way, visitors are sent there all the same: that is the address which is missed. */
    public function ends(int $status, string $why, ?string $rule = null): Resolution
    {
        $last = $status === 404 && ! $this->isLoop && $rule === null ? end($this->hops) : false;

        return new Resolution(
            $this->asked,
            $this->normal ?? '',
            $this->hops,
            $status,
            $last === false ? null : $this->kept($last->to),
            null,
            null,
            $why,
            $rule,
            isLoop: $this->isLoop,
        );
    }

    public function arrives(?int $status, string $location, string $why, ?AnsweringPage $page = null): Resolution
    {
        return new Resolution($this->asked, $this->normal ?? '', $this->hops, $status, $this->kept($location), $page?->id, $page?->name, $why);
    }

    /** As browsers do with a location that has no fragment (Fetch Standard, 4.4). */
    private function kept(string $location): string
    {
        return str_contains($location, '#') ? $location : $location.$this->fragment;
    }

    /** Arrives at a pause page. */
    public function waits(string $at, Rule $rule, string $onward): Resolution
    {
        return new Resolution(
            $this->asked,
            $this->normal ?? '',
            $this->hops,
            200,
            $at,
            null,
            null,
            'A pause page, which goes on after '.($rule->pause->seconds ?? 0).' seconds.',
            $rule->id,
            $rule->pause,
            $onward,
        );
    }
}

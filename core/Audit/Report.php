<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** What every check says of a page, and what that comes to. */
final readonly class Report
{
    /**
     * @param  array<string, Verdict>  $verdicts  by code
     * @param  array<string, CheckInfo>  $checks  by code
     */
    public function __construct(public string $page, public array $verdicts, public array $checks)
    {
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        $found = [];
        foreach ($this->verdicts as $code => $verdict) {
            if ($verdict->says !== null) {
                $found[] = new Finding($this->page, $this->checks[$code], $verdict->says);
            }
        }

        return $found;
    }

    /** Sum of the weights of checks that apply. */
    public function weight(): int
    {
        return $this->sum(static fn (Verdict $verdict): bool => $verdict->applies);
    }

    /** Sum of the weights of those that it passes. */
    public function passed(): int
    {
        return $this->sum(static fn (Verdict $verdict): bool => $verdict->applies && $verdict->says === null);
    }

    /** The findability score, 0 to 100. */
    public function score(): int
    {
        return $this->weight() === 0 ? 100 : (int) round(100 * $this->passed() / $this->weight());
    }

    /** @param  \Closure(Verdict): bool  $which */
    private function sum(\Closure $which): int
    {
        $sum = 0;
        foreach (array_filter($this->verdicts, $which) as $code => $verdict) {
            $sum += $this->checks[$code]->weight;
        }

        return $sum;
    }
}

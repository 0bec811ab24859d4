<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

use Heronstem\Core\Moment;

/**
 * The pages of a site that say who sees them and what is below them. Every other page is as the nearest of these above it; those
 * with none above are open to everyone.
 */
final readonly class Gates
{
    /** @param  array<int|string, array{access: PageAccess, above: int|string|null}>  $gates  by page, each with the nearest one above it */
    public function __construct(private array $gates)
    {
    }

    public function isEmpty(): bool
    {
        return $this->gates === [];
    }

    /** What decides for the page of a gate and for those that are as it is; null for everyone. */
    public function at(int|string|null $gate, Moment $moment): ?PageAccess
    {
        return PageAccess::at($moment, $this->upFrom($gate));
    }

    public function admits(Guest $guest, int|string|null $gate, Moment $moment): bool
    {
        return $this->at($gate, $moment)?->admits($guest) ?? true;
    }

    /** @return list<int|string> those that let somebody through at a moment; cost: the gates, times those above them that are limited in time */
    public function openTo(Guest $guest, Moment $moment): array
    {
        return array_values(array_filter(array_keys($this->gates), fn (int|string $gate): bool => $this->admits($guest, $gate, $moment)));
    }

    /** @return list<int|string> those that are closed to somebody who is not to know that anything is there */
    public function hiddenFrom(Guest $guest, Moment $moment): array
    {
        return array_values(
            array_filter(array_keys($this->gates), function (int|string $gate) use ($guest, $moment): bool {
                $access = $this->at($gate, $moment);

                return $access !== null && ! $access->admits($guest) && $access->answerTo($guest) === Others::Missing;
            }),
        );
    }

    /** The next moment after this one at which one of them begins or ceases to say something; null for none. */
    public function nextAfter(Moment $moment): ?Moment
    {
        $next = null;
        foreach ($this->gates as ['access' => $access]) {
            foreach (array_filter([$access->from, $access->until]) as $each) {
                $next = $each->isAfter($moment) && ($next === null || $next->isAfter($each)) ? $each : $next;
            }
        }

        return $next;
    }

    /** @return \Generator<PageAccess> */
    private function upFrom(int|string|null $gate): \Generator
    {
        for ($at = $gate; $at !== null && isset($this->gates[$at]); $at = $this->gates[$at]['above']) {
            yield $this->gates[$at]['access'];
        }
    }
}

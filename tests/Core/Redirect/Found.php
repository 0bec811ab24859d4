<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Redirect\Matching\Candidate;
use Heronstem\Core\Redirect\Matching\Proposal;

/** How many old addresses of a list found their page, and how sure that was said to be. */
final class Found
{
    private const SURE = 0.9;

    /** Addresses that have a page, and that have none. */
    public int $with = 0;

    public int $without = 0;

    public int $first = 0;

    public int $amongThree = 0;

    public int $sure = 0;

    public int $sureRight = 0;

    public int $sureOfNone = 0;

    /** @param  string|null  $right  id of the page, null where the address has none */
    public function count(Proposal $proposal, ?string $right): void
    {
        $isRight = $right !== null && $proposal->page?->id === $right;
        $next = array_map(static fn (Candidate $page): string => $page->id, array_slice($proposal->next, 0, 2));
        $isSure = $proposal->confidence >= self::SURE;
        $this->with += $right === null ? 0 : 1;
        $this->without += $right === null ? 1 : 0;
        $this->first += $isRight ? 1 : 0;
        $this->amongThree += $isRight || ($right !== null && in_array($right, $next, true)) ? 1 : 0;
        $this->sure += $isSure ? 1 : 0;
        $this->sureRight += $isSure && $isRight ? 1 : 0;
        $this->sureOfNone += $isSure && $right === null ? 1 : 0;
    }
}

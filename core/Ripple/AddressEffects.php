<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Tree\Page;

/** What a batch does to addresses: where pages move, and what each address answers from now on. */
final readonly class AddressEffects
{
    /** @var list<Claim> former addresses that lead to their page from now on */
    public array $redirectsWritten;

    /** @var list<Claim> redirects that go, because a page takes the address back or it leads nowhere any more */
    public array $redirectsDropped;

    /** @var list<Claim> addresses recorded as gone */
    public array $gone;

    /**
     * @param  list<AddressMove>  $moves  pages that only inherit included
     * @param  list<ClaimDifference>  $claims  ordered by address
     * @param  array<string, Page>  $heirs  pages that stay as they are, and to which redirects lead from now on
     */
    public function __construct(public array $moves, public array $claims, public array $heirs)
    {
        $of = static fn (\Closure $claim): array => array_values(array_filter(array_map($claim, $claims)));
        $this->redirectsWritten = $of(static fn (ClaimDifference $each): ?Claim => $each->redirectWritten());
        $this->redirectsDropped = $of(static fn (ClaimDifference $each): ?Claim => $each->redirectDropped());
        $this->gone = $of(static fn (ClaimDifference $each): ?Claim => $each->recordedGone());
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;

/** What stands in the way of a page that wants an address. */
final readonly class Obstacles
{
    public function __construct(private ClaimsInQuestion $question, private ReleasedAddresses $released, private RestoredClaims $restored)
    {
    }

    public function of(Page $page, Address $wanted): ?Claim
    {
        $claims = $this->question->claims;
        $decisions = $this->question->batch->decisions;
        if ($claims->isMadeFree($wanted->key)) {
            return null;
        }
        $planned = $claims->isPlanned($wanted->key) ? $claims->planned($wanted->key) : null;
        if ($planned !== null) {
            return $planned->kind !== ClaimKind::Page && ($planned->page === $page->id || $decisions->givesWay($wanted->key)) ? null : $planned;
        }
        if (ReservedAddresses::includes($wanted)) {
            return Claim::reserved($wanted);
        }
        $held = $this->restored->held($wanted->key);

        return match (true) {
            $held === null, $this->released->includes($wanted->key), $held->heldFor === $page->id => null,
            $held->kind !== ClaimKind::Page && $decisions->givesWay($wanted->key) => null,
            $held->heldFor === null && $held->page === $page->id => null,
            default => $held,
        };
    }
}

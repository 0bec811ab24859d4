<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\Claim;

/** Addresses that waited for a page in the bin lead to it again once it is back. */
final class WaitingAddresses
{
    public static function bringBack(ClaimsInQuestion $question): void
    {
        foreach ($question->about as $claim) {
            $key = $claim->address->key;
            $page = $claim->heldFor === null ? null : $question->outcome->find($claim->heldFor);
            if ($page !== null && ! $page->isBinned() && ! $question->claims->isPlanned($key)) {
                $question->claims->set($key, Claim::redirectTo($claim->address, $page->id, $claim->everLive));
            }
        }
    }
}

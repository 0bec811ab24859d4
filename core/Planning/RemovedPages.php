<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\ClaimKind;

/** Of a page that goes for good nothing leads to it, and what waited for it waits no more. */
final class RemovedPages
{
    /** @return list<string> pages that cannot go: visitors know addresses that lead to them */
    public static function settle(ClaimsInQuestion $question): array
    {
        $unremovable = [];
        foreach ($question->about as $about) {
            $key = $about->address->key;
            $claim = $question->claims->planned($key);
            if ($claim === null) {
                continue;
            }
            if ($question->isRemoved($claim->page)) {
                if ($claim->everLive) {
                    $unremovable[] = (string) $claim->page;
                }
                $question->claims->set($key, null);
            } elseif ($question->isRemoved($claim->heldFor)) {
                $question->claims->set($key, $claim->kind === ClaimKind::Bin ? null : $claim->heldForNobody());
            }
        }

        return $unremovable;
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;

/** Pages take the addresses that they have after the batch. */
final class OwnAddresses
{
    public static function take(ClaimsInQuestion $question, Obstacles $obstacles): TakenAddresses
    {
        $clashes = $notes = [];
        foreach ($question->outcome->singly() as $page) {
            if ($page === null || $page->isBinned()) {
                continue;
            }
            $key = $page->address->key;
            $inWay = $obstacles->of($page, $page->address);
            if ($inWay !== null) {
                $clashes["$key $page->id"] = AddressClash::ofPage($page, $page->address, $inWay);

                continue;
            }
            $held = $question->claims->now($key);
            $question->claims->set($key, Claim::ofPage($page->address, $page->id, ($held->everLive ?? false) || $page->isLive()));
            if ($held !== null && $held->everLive && $held->kind === ClaimKind::Page && $held->page !== $page->id) {
                $notes[] = new Note(
                    NoteKind::AddressTakenOver,
                    (string) $held->page,
                    $question->workspace->pages->before((string) $held->page)->name ?? '',
                    $page->name,
                );
            }
        }

        return new TakenAddresses($clashes, $notes);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\AddressWish;

/** Addresses besides their own that pages are given, or that are taken from them. */
final class FurtherAddresses
{
    public static function grant(ClaimsInQuestion $question, Obstacles $obstacles): TakenAddresses
    {
        $clashes = $notes = [];
        foreach ($question->workspace->wishes() as $wish) {
            $page = $question->outcome->find($wish->page) ?? $question->workspace->pages->known($wish->page);
            if ($page->isBinned()) {
                continue;
            }
            if ($wish->kind === null) {
                array_push($notes, ...self::takeAway($question, $wish, $page));

                continue;
            }
            $key = $wish->address->key;
            $held = $question->claims->planned($key);
            $inWay = $held?->isPageOf($page->id) === true ? $held : $obstacles->of($page, $wish->address);
            if ($inWay !== null) {
                $clashes["$key $page->id"] = AddressClash::ofPage($page, $wish->address, $inWay);

                continue;
            }
            $known = ($held->everLive ?? false) || $page->isLive();
            $question->claims->set(
                $key,
                $wish->kind === ClaimKind::Also
                    ? Claim::alsoOf($wish->address, $page->id, $known)
                    : Claim::redirectTo($wish->address, $page->id, $known),
            );
        }

        return new TakenAddresses($clashes, $notes);
    }

    /** @return list<Note> */
    private static function takeAway(ClaimsInQuestion $question, AddressWish $wish, Page $page): array
    {
        $held = $question->claims->planned($wish->address->key);
        if ($held?->kind === ClaimKind::Page) {
            return []; // the same batch made it somebody's own address
        }
        $isKnown = $held !== null && $held->everLive;
        $question->claims->set($wish->address->key, $isKnown ? Claim::gone($wish->address) : null);

        return $isKnown ? [new Note(NoteKind::AddressGone, $page->id, $page->name, $wish->address->readable())] : [];
    }
}

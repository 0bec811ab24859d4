<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Address\Ledger;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Address\Slug;

/** Finds the ways out of a conflict that really apply to it. */
final class WaysOut
{
    /** How many numbered slugs are tried before none is offered. */
    private const TRIES = 50;

    public function __construct(private readonly Workspace $workspace, private readonly Ledger $ledger, private readonly LedgerEffects $effects)
    {
    }

    public function of(Page $wanting, Claim $held): Conflict
    {
        $holder = $held->page === null ? null : $this->workspace->find($held->page);
        $ways = [];
        if ($held->kind === ClaimKind::Redirect) {
            $ways[] = WayOut::replaceRedirect(new Decision($held->address));
        }
        $swap = $held->kind === ClaimKind::Page && $holder !== null ? $this->swap($wanting, $holder) : null;
        $free = $wanting->pinned === null ? $this->freeSlug($wanting) : null;

        return new Conflict($wanting->address, $wanting->id, $held, $holder, [
            ...$ways,
            ...($free === null ? [] : [WayOut::freeSlug($wanting->id, $free)]),
            ...($swap === null ? [] : [$swap]),
            WayOut::chooseAnother(),
        ]);
    }

    /** The first of `slug-2`, `slug-3` … that nobody holds or wants beside this page. */
    private function freeSlug(Page $page): ?Slug
    {
        $parent = $page->parent === null ? null : $this->effects->addressOf($page->parent);
        $candidates = [];
        for ($n = 2; $n < self::TRIES + 2; $n++) {
            $slug = Slug::stored(mb_substr($page->slug->text, 0, Slug::LONGEST - 4).'-'.$n);
            $candidates[] = [$slug, Composition::compose($parent, $slug, $this->workspace->rules())];
        }
        $held = $this->ledger->claimsOn(array_column($candidates, 1));
        foreach ($candidates as [$slug, $address]) {
            if (! isset($held[$address->key]) && ! $this->effects->isWanted($address) && ! ReservedAddresses::includes($address)) {
                return $slug;
            }
        }

        return null;
    }

    private function swap(Page $wanting, Page $holder): ?WayOut
    {
        $before = $this->workspace->before($wanting->id);
        $tradesSlugs = $before !== null && $holder->id !== $wanting->id
            && $before->parent === $holder->parent && $before->parent === $wanting->parent
            && $before->pinned === null && $holder->pinned === null && $holder->id !== $this->workspace->site->startPage
            && ! $before->slug->equals($holder->slug) && $wanting->slug->equals($holder->slug);

        return $tradesSlugs ? WayOut::swap($before, $wanting->slug, $holder) : null;
    }
}

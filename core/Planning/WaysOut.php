<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\WayOut;
use Heronstem\Core\Ripple\WayOutKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\AddressComposer;
use Heronstem\Core\Workspace\Workspace;

/** Finds the ways out of a conflict that really apply to it; the first is the one to take unless told otherwise. */
final class WaysOut
{
    /** How many numbered slugs are tried before none is offered. */
    private const MAX_TRIES = 50;

    public function __construct(private readonly Workspace $workspace, private readonly ClaimPlan $claims, private readonly RuleLoops $loops)
    {
    }

    public function of(AddressClash $clash): Conflict
    {
        return match (true) {
            $clash->page !== null => $this->ofPage($clash->page, $clash->wanted, $clash->held),
            $clash->rule !== null => $this->ofRule($clash->rule, $clash->wanted, $clash->held),
            default => throw new \LogicException('A clash is of a page or of a redirect.'),
        };
    }

    private function ofPage(Page $wanting, Address $wanted, Claim $held): Conflict
    {
        $waiting = $this->page($held->heldFor);
        $holder = $waiting ?? $this->page($held->page);
        $wantsAsOwn = $wanted->key === $wanting->address->key;
        $swap = $wantsAsOwn && $held->kind === ClaimKind::Page && $holder !== null ? $this->swap($wanting, $holder) : null;
        $free = $wantsAsOwn && $wanting->pinned === null && $wanting->id !== $this->workspace->startPage() ? $this->freeSlug($wanting) : null;

        return new Conflict($wanted, $wanting->id, $held, $holder, [
            ...$this->fromHolder($held, $waiting),
            ...$free === null ? [] : [WayOut::freeSlug($wanting->id, $free)],
            ...$swap === null ? [] : [$swap],
            WayOut::chooseAnother(),
        ]);
    }

    /** Of a redirect rule that wants an address which somebody else holds. */
    private function ofRule(Rule $wanting, Address $wanted, Claim $held): Conflict
    {
        $waiting = $this->page($held->heldFor);
        $holder = $waiting ?? $this->page($held->page);
        $front = $wanting->with(['inFront' => true]);
        $isServed =
            in_array($held->kind, [ClaimKind::Page, ClaimKind::Also], true) &&
            $this->workspace->redirects->sameSourceAs($front) === null &&
            ! $this->loops->wouldLoop($front);

        return new Conflict(
            $wanted,
            '',
            $held,
            $holder,
            [...$this->fromHolder($held, $waiting), ...$isServed ? [WayOut::standInFront($wanting->id)] : [], WayOut::chooseAnother()],
            $wanting->id,
        );
    }

    private function page(?string $id): ?Page
    {
        return $id === null ? null : $this->workspace->pages->find($id);
    }

    /** @return list<WayOut> */
    private function fromHolder(Claim $held, ?Page $waiting): array
    {
        if ($waiting !== null && $waiting->isBinned()) {
            $root = $this->workspace->pages->find((string) $waiting->bin);
            $deletes =
                $root === null || $waiting->isProtected || $this->workspace->pages->before($root->id)?->isBinned() !== true
                    ? []
                    : [WayOut::deleteForGood($root->id, $held->address)];

            return [WayOut::giveWay(WayOutKind::TakeOver, $held->address), ...$deletes];
        }

        return match ($held->kind) {
            ClaimKind::Redirect, ClaimKind::Also, ClaimKind::Rule => [WayOut::giveWay(WayOutKind::ReplaceRedirect, $held->address)],
            ClaimKind::Gone => [WayOut::giveWay(WayOutKind::AnswerAgain, $held->address)],
            default => [],
        };
    }

    /** The first of `slug-2`, `slug-3` … that nobody holds or wants beside this page. */
    private function freeSlug(Page $page): ?Slug
    {
        $composer = AddressComposer::where($this->workspace, static fn (): bool => false);
        $parent = $composer->passedOnTo($page, $this->claims->addressOf(...));
        $candidates = [];
        for ($n = 2; $n < self::MAX_TRIES + 2; $n++) {
            $slug = Slug::stored(mb_substr($page->slug->text, 0, Slug::MAX_LENGTH - 4).'-'.$n);
            $candidates[] = [$slug, Composition::compose($parent, $slug, $this->workspace->rules())];
        }
        $held = $this->workspace->ledger->claimsOn(array_column($candidates, 1));
        foreach ($candidates as [$slug, $address]) {
            if (! isset($held[$address->key]) && ! $this->claims->isWanted($address) && ! ReservedAddresses::includes($address)) {
                return $slug;
            }
        }

        return null;
    }

    private function swap(Page $wanting, Page $holder): ?WayOut
    {
        $before = $this->workspace->pages->before($wanting->id);
        $tradesSlugs =
            $before !== null &&
            $holder->id !== $wanting->id &&
            $before->parent === $holder->parent &&
            $before->parent === $wanting->parent &&
            $before->pinned === null &&
            $holder->pinned === null &&
            $holder->id !== $this->workspace->startPage() &&
            ! $before->isBinned() &&
            ! $before->slug->equals($holder->slug) &&
            $wanting->slug->equals($holder->slug);

        return $tradesSlugs ? WayOut::swap($before, $wanting->slug, $holder) : null;
    }
}

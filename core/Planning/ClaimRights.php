<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageState;

/**
 * Which rights it takes to change what answers at an address. What a page does with its own address by being made, moved, put live or
 * retired takes the rights for that; everything else takes addresses, of the page that loses one and of the page that gets one.
 */
final readonly class ClaimRights
{
    /** @var array<string, true> pages that the batch takes out of the tree or back into it, which takes a right by itself */
    private array $retired;

    public function __construct(Ripple $ripple, private NeededRights $need)
    {
        $retired = $ripple->pages->where(
            static fn (PageDifference $each): bool => $each->wasRemoved() ||
                $each->goesIntoBin() ||
                ($each->before['state'] ?? null) === PageState::Binned->value,
        );
        $this->retired = array_fill_keys($retired, true);
    }

    /** @throws BeyondRights */
    public function guard(ClaimDifference $difference): void
    {
        [$before, $after] = [$difference->before, $difference->after];
        if ($before?->kind === ClaimKind::Rule || $after?->kind === ClaimKind::Rule) {
            $this->need->onSite(Right::Addresses, (string) ($after ?? $before)?->address->readable());

            return;
        }
        if ($before !== null) {
            $this->guardLoss($before, $after);
        }
        if ($after !== null) {
            $this->guardGain($before, $after);
        }
    }

    private function guardLoss(Claim $before, ?Claim $after): void
    {
        $holder = $before->page ?? $before->heldFor;
        $getsBack = $after !== null && $after->kind === ClaimKind::Page && in_array($after->page, [$before->page, $before->heldFor], true);
        if ($getsBack || isset($this->retired[(string) $holder])) {
            return;
        }
        $movesAway = $before->kind === ClaimKind::Page && ($after === null ? ! $before->everLive : $after->page === $before->page);
        if (! $movesAway) {
            $right =
                $before->everLive || $before->kind === ClaimKind::Also || $before->kind === ClaimKind::Redirect ? Right::Addresses : Right::Structure;
            $holder === null
                ? $this->need->onSite($right, $before->address->readable())
                : $this->need->on($right, $holder, $before->address->readable());
        }
    }

    private function guardGain(?Claim $before, Claim $after): void
    {
        $holder = $after->page ?? $after->heldFor;
        $isOwn =
            $after->kind === ClaimKind::Page || $after->kind === ClaimKind::Bin || ($before?->kind === ClaimKind::Page && $holder === $before->page);
        if ($isOwn || isset($this->retired[(string) ($before->page ?? $before?->heldFor)])) {
            return;
        }
        $holder === null
            ? $this->need->onSite(Right::Addresses, $after->address->readable())
            : $this->need->on(Right::Addresses, $holder, $after->address->readable());
    }
}

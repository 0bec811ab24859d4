<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\RawLinkFate;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** Finds the links written as addresses that a batch sends through a redirect, leads elsewhere, or breaks. */
final readonly class RawLinkEffects
{
    /** @param  array<string, Page|null>  $outcome */
    public function __construct(private array $outcome, private Workspace $workspace, private Ledger $ledger, private LinksInto $links)
    {
    }

    /**
     * @param  list<ClaimDifference>  $claims
     * @param  list<string>  $offline
     * @return list<RawLinkEffect>
     */
    public function of(array $claims, array $offline): array
    {
        $turned = $this->turned($claims, $offline);
        if ($turned === []) {
            return [];
        }
        $effects = [];
        foreach ($this->links->rawTo(array_map(strval(...), array_keys($turned))) as $link) {
            [$page, $after] = $turned[$link->address->key];
            [$fate, $lands] = $this->fate($after);
            $effects[] = new RawLinkEffect($link, $fate, $lands, $this->shown($page));
        }

        return $effects;
    }

    /**
     * Addresses at which visitors got a page and no longer do, by key: the page, and what is claimed there from now on.
     *
     * @param  list<ClaimDifference>  $claims
     * @param  list<string>  $offline
     * @return array<string, array{string, Claim|null}>
     */
    private function turned(array $claims, array $offline): array
    {
        $turned = [];
        foreach ($this->spelled($claims) as $difference) {
            $page = $difference->before?->page;
            $stays =
                $difference->after?->page === $page &&
                in_array($difference->after?->kind, [ClaimKind::Page, ClaimKind::Also, $difference->before?->kind], true);
            if ($page !== null && ! $stays && $this->workspace->pages->before($page)?->isLive() === true) {
                $turned[$difference->key] = [$page, $difference->after];
            }
        }
        foreach ($offline === [] ? [] : $this->ledger->claimsAbout($offline) as $claim) {
            if (in_array($claim->kind, [ClaimKind::Page, ClaimKind::Also], true) && $claim->page !== null) {
                $turned[$claim->address->key] ??= [$claim->page, null];
            }
        }

        return $turned;
    }

    /**
     * Where addresses are written otherwise from now on, the former ones are sent on to what they are another spelling of.
     *
     * @param  list<ClaimDifference>  $claims
     * @return list<ClaimDifference>
     */
    private function spelled(array $claims): array
    {
        $rules = $this->workspace->rulesDifference();
        if ($rules === null || ! $rules->respells()) {
            return $claims;
        }
        $after = array_column(array_map(static fn (ClaimDifference $each): array => [$each->key, $each->after], $claims), 1, 0);

        return array_map(static function (ClaimDifference $each) use ($rules, $after): ClaimDifference {
            $there = $each->before === null || $each->after !== null ? null : $after[$rules->asked($each->before->address)->key] ?? null;

            return $there?->page === null || $each->before === null
                ? $each
                : new ClaimDifference($each->key, $each->before, Claim::redirectTo($each->before->address, $there->page, $there->everLive));
        }, $claims);
    }

    /** @return array{RawLinkFate, Page|null} */
    private function fate(?Claim $after): array
    {
        $lands = $after?->page === null ? null : $this->shown($after->page);
        if ($lands === null) {
            return [RawLinkFate::Breaks, null];
        }

        return [$after?->kind === ClaimKind::Redirect ? RawLinkFate::Redirected : RawLinkFate::Diverted, $lands];
    }

    /** The page as it will be, if visitors get it. */
    private function shown(string $id): ?Page
    {
        $page = array_key_exists($id, $this->outcome) ? $this->outcome[$id] : $this->workspace->pages->known($id);

        return $page?->isLive() === true ? $page : null;
    }
}

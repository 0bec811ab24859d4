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
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** Finds the links written as addresses that a batch sends through a redirect, leads elsewhere, or breaks. */
final readonly class RawLinkEffects
{
    public function __construct(private PagesAfter $outcome, private Workspace $workspace, private Ledger $ledger, private LinksInto $links)
    {
    }

    /**
     * @param  list<string>  $offline
     * @return list<RawLinkEffect>
     */
    public function of(ClaimPlan $claims, array $offline): array
    {
        $spelled = $this->spelled($claims);
        $turned = $this->turned($claims, $spelled, $offline);
        if ($turned === []) {
            return [];
        }
        $effects = [];
        foreach ($this->links->rawTo(array_map(strval(...), array_keys($turned))) as $link) {
            $difference = $claims->differenceAt($link->address);
            [$fate, $lands] = $this->fate($difference === null ? null : $spelled($difference));
            $effects[] = new RawLinkEffect($link, $fate, $lands, $this->shown($turned[$link->address->key]));
        }

        return $effects;
    }

    /**
     * Addresses at which visitors got a page and no longer do.
     *
     * @param  \Closure(ClaimDifference): ?Claim  $spelled  what is claimed there from now on
     * @param  list<string>  $offline
     * @return array<string, string> the page, by key
     */
    private function turned(ClaimPlan $claims, \Closure $spelled, array $offline): array
    {
        // Who is carried along goes on being led to, and its former address is a redirect.
        $turned = $this->outcome->carried()->liveByFormerKey();
        foreach ($claims->single as $difference) {
            $page = $difference->before?->page;
            $after = $page === null ? null : $spelled($difference);
            $stays = $after?->page === $page && in_array($after?->kind, [ClaimKind::Page, ClaimKind::Also, $difference->before?->kind], true);
            if ($page !== null && ! $stays && $this->workspace->pages->before($page)?->isLive() === true) {
                $turned[$difference->key] = $page;
            }
        }
        foreach ($offline === [] ? [] : $this->ledger->claimsAbout($offline) as $claim) {
            if (in_array($claim->kind, [ClaimKind::Page, ClaimKind::Also], true) && $claim->page !== null) {
                $turned[$claim->address->key] ??= $claim->page;
            }
        }

        return $turned;
    }

    /**
     * Where addresses are written otherwise from now on, the former ones are sent on to what they are another spelling of.
     *
     * @return \Closure(ClaimDifference): ?Claim
     */
    private function spelled(ClaimPlan $claims): \Closure
    {
        $rules = $this->workspace->rulesDifference();

        return static function (ClaimDifference $each) use ($rules, $claims): ?Claim {
            $there =
                $rules === null || ! $rules->respells() || $each->before === null || $each->after !== null
                    ? null
                    : $claims->differenceAt($rules->asked($each->before->address))?->after;

            return $there?->page === null || $each->before === null
                ? $each->after
                : Claim::redirectTo($each->before->address, $there->page, $there->everLive);
        };
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
        $page = $this->outcome->has($id) ? $this->outcome->find($id) : $this->workspace->pages->known($id);

        return $page?->isLive() === true ? $page : null;
    }
}

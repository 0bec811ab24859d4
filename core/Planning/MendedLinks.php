<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Linking\RawLink;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\RawLinkFate;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** Links written as addresses that are to become links to the pages they lead to. */
final readonly class MendedLinks
{
    public function __construct(private Workspace $workspace, private LinksInto $links)
    {
    }

    /**
     * Cost: the links of the pages that are asked for, and one look at the ledger for all their addresses.
     *
     * @param  list<RawLinkEffect>  $turned  links that the batch leads elsewhere anyway: those are mended by their own decision
     * @param  array<string, Page|null>  $outcome
     * @return list<RawLinkEffect> these, and those that are mended
     */
    public function among(array $turned, array $outcome): array
    {
        $links = [];
        foreach ($this->workspace->mends() as $pages) {
            foreach ($this->links->rawOn($pages) as $link) {
                $links[self::name($link)] = $link;
            }
        }
        foreach ($turned as $effect) {
            unset($links[self::name($effect->link)]);
        }
        if ($links === []) {
            return $turned;
        }
        $claims = $this->workspace->ledger->claimsOn(array_values(array_map(static fn (RawLink $link): Address => $link->address, $links)));
        $rules = $this->rules($claims);
        $mended = [];
        foreach ($links as $link) {
            $page = $this->page($claims[$link->address->key] ?? null, $rules[$link->address->key] ?? null, $outcome);
            // A link of a page to itself has nowhere to follow to.
            if ($page !== null && $page->id !== $link->page) {
                $mended[] = new RawLinkEffect($link, RawLinkFate::Mended, $page, $page);
            }
        }

        return [...$turned, ...$mended];
    }

    /**
     * @param  array<string, Claim>  $claims
     * @return array<string, Rule> that hold these addresses
     */
    private function rules(array $claims): array
    {
        $held = array_filter($claims, static fn (Claim $claim): bool => $claim->kind === ClaimKind::Rule);

        return array_filter(array_map(fn (Claim $claim): ?Rule => $this->workspace->redirects->claimingAt($claim->address->key), $held));
    }

    /** @param  array<string, Page|null>  $outcome */
    private function page(?Claim $claim, ?Rule $rule, array $outcome): ?Page
    {
        $id = match (true) {
            $rule !== null => $rule->isOn && in_array($rule->answer, [RuleAnswer::MovedPermanently, RuleAnswer::PermanentRedirect], true) && $rule->target?->kind === TargetKind::Page
                ? $rule->target->value
                : null,
            $claim === null => null,
            default => in_array($claim->kind, [ClaimKind::Page, ClaimKind::Also, ClaimKind::Redirect], true) ? $claim->page : null,
        };
        $page = $id === null ? null : (array_key_exists($id, $outcome) ? $outcome[$id] : $this->workspace->pages->find($id));

        return $page?->isLive() === true ? $page : null;
    }

    private static function name(RawLink $link): string
    {
        return "{$link->page} {$link->href}";
    }
}

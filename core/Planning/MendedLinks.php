<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Linking\RawLink;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\RuleSet;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\RawLinkFate;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** Links written as addresses that are to become links to the pages they lead to. */
final readonly class MendedLinks
{
    public function __construct(private Workspace $workspace, private LinksInto $links, private ClaimPlan $claims)
    {
    }

    /**
     * Cost: the links of the pages that are asked for, each with the way to where it leads.
     *
     * @param  list<RawLinkEffect>  $turned  links that the batch leads elsewhere anyway: those are mended by their own decision
     * @return list<RawLinkEffect> these, and those that are mended
     */
    public function among(array $turned): array
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
        $resolver = new Resolver(
            $this->workspace->rules(),
            new PlannedAddresses($this->workspace, $this->claims),
            RuleSet::compile($this->workspace->redirects->withoutClaim(), $this->workspace->rules(), $this->workspace->now()),
        );
        $mended = [];
        foreach ($links as $link) {
            $page = $this->page($this->claims->claimAt($link->address), $resolver->resolve($link->address->path));
            // A link of a page to itself has nowhere to follow to.
            if ($page !== null && $page->id !== $link->page) {
                $mended[] = new RawLinkEffect($link, RawLinkFate::Mended, $page, $page);
            }
        }

        return [...$turned, ...$mended];
    }

    /** The page that holds the address, or had it; else that at the end of redirects that are meant to last. */
    private function page(?Claim $claim, Resolution $resolution): ?Page
    {
        $holds =
            $claim !== null && in_array($claim->kind, [ClaimKind::Page, ClaimKind::Also, ClaimKind::Redirect], true) && $resolution->rules() === [];
        $id = $holds ? $claim->page : $resolution->lastingPage();
        $page = $id === null ? null : $this->workspace->pages->find($id);

        return $page?->isLive() === true ? $page : null;
    }

    private static function name(RawLink $link): string
    {
        return "{$link->page} {$link->href}";
    }
}

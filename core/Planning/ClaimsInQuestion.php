<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\ClaimOverlay;
use Heronstem\Core\Workspace\Workspace;

/** What the steps that work out the ledger look at and write to: the batch with its outcome, and the claims as they become. */
final readonly class ClaimsInQuestion
{
    /**
     * @param  array<string, Page|null>  $outcome  every touched or moved page as it will be
     * @param  array<string, true>  $asked  keys whose claim has been read, or is known to be none
     * @param  list<Claim>  $about  claims about pages that come, go or become visible
     */
    private function __construct(
        public Workspace $workspace,
        public Batch $batch,
        public array $outcome,
        public ClaimOverlay $claims,
        public array $asked,
        public array $about,
    ) {
    }

    /**
     * Cost: one look at the ledger for all addresses, one for all pages that come, go or become visible.
     *
     * @param  array<string, Page|null>  $outcome
     */
    public static function read(Workspace $workspace, Batch $batch, array $outcome): self
    {
        $addresses = self::addresses($workspace, $batch, $outcome);
        $claims = new ClaimOverlay($workspace->ledger->claimsOn(array_values($addresses)));
        $about = [];
        foreach (self::claimsAbout($workspace, $outcome) as $claim) {
            $claims->know($claim);
            $about[] = $claim;
        }
        foreach ($workspace->rulesDifference()?->respells() === true ? $workspace->ledger->everyClaim() : [] as $claim) {
            $claims->know($claim);
        }

        return new self($workspace, $batch, $outcome, $claims, array_fill_keys(array_keys($addresses), true), $about);
    }

    /** Where a request for an address is looked up once all is done, if that is at another one. */
    public function lookedUpElsewhere(Address $address): ?Address
    {
        $asked = $this->workspace->rulesDifference()?->asked($address);

        return $asked === null || ($asked->key === $address->key && $asked->path === $address->path) ? null : $asked;
    }

    public function isRemoved(?string $page): bool
    {
        return $page !== null && array_key_exists($page, $this->outcome) && $this->outcome[$page] === null;
    }

    /** A page as the batch leaves it; null for none, and for one that is removed. */
    public function after(?string $page): ?Page
    {
        return $page === null ? null : $this->outcome[$page] ?? $this->workspace->pages->find($page);
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @return array<string, Address> by key
     */
    private static function addresses(Workspace $workspace, Batch $batch, array $outcome): array
    {
        $addresses = [];
        foreach ($outcome as $id => $page) {
            foreach ([$workspace->pages->before((string) $id)?->address, $page?->address] as $address) {
                if ($address !== null) {
                    $addresses[$address->key] = $address;
                }
            }
        }
        foreach ($batch->undoes() as $undo) {
            foreach ($undo->claims as $difference) {
                $claim = $difference->before ?? $difference->after;
                if ($claim !== null) {
                    $addresses[$difference->key] = $claim->address;
                }
            }
        }
        foreach ($workspace->wishes() as $wish) {
            $addresses[$wish->address->key] = $wish->address;
        }
        foreach (RuleClaims::addresses($workspace) as $address) {
            $addresses[$address->key] = $address;
        }

        return $addresses;
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @return iterable<Claim>
     */
    private static function claimsAbout(Workspace $workspace, array $outcome): iterable
    {
        $pages = [];
        foreach ($outcome as $id => $page) {
            $before = $workspace->pages->before((string) $id);
            if ($before !== null && ($page === null || $page->isBinned() !== $before->isBinned() || ($page->isLive() && ! $before->isLive()))) {
                $pages[] = (string) $id;
            }
        }

        return $pages === [] ? [] : $workspace->ledger->claimsAbout($pages);
    }
}

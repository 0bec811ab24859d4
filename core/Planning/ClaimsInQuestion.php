<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\CarriedClaims;
use Heronstem\Core\Workspace\ClaimOverlay;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** What the steps that work out the ledger look at and write to: the batch with its outcome, and the claims as they become. */
final readonly class ClaimsInQuestion
{
    /**
     * @param  Series<Claim>  $about  claims about pages that come, go or become visible
     * @param  SingledOut  $single  pages of the outcome that are looked at by themselves, and what is undone of their addresses
     */
    private function __construct(
        public Workspace $workspace,
        public Batch $batch,
        public PagesAfter $outcome,
        public ClaimOverlay $claims,
        public Series $about,
        public SingledOut $single,
    ) {
    }

    /**
     * Cost: one look at the ledger for all pages that come, go or become visible, and one for all addresses that those do not hold.
     */
    public static function read(Workspace $workspace, Batch $batch, PagesAfter $outcome): self
    {
        $single = new SingledOut($batch, $outcome, self::addresses($workspace, [], $outcome));
        $claims = new ClaimOverlay(carried: new CarriedClaims($outcome->carried()));
        $keys = [];
        foreach (self::claimsAbout($workspace, $outcome) as $claim) {
            $claims->know($claim);
            $keys[] = $claim->address->key;
        }
        $claims->ask($workspace->ledger, self::addresses($workspace, $single->undone, $outcome));
        $about = Series::from(static fn (): \Generator => self::known($claims, $keys), count($keys));
        foreach ($workspace->rulesDifference()?->respells() === true ? $workspace->ledger->everyClaim() : [] as $claim) {
            $claims->know($claim);
        }

        return new self($workspace, $batch, $outcome, $claims, $about, $single);
    }

    /** Where a request for an address is looked up once all is done, if that is at another one. */
    public function lookedUpElsewhere(Address $address): ?Address
    {
        $asked = $this->workspace->rulesDifference()?->asked($address);

        return $asked === null || ($asked->key === $address->key && $asked->path === $address->path) ? null : $asked;
    }

    public function isRemoved(?string $page): bool
    {
        return $page !== null && $this->outcome->has($page) && $this->outcome->find($page) === null;
    }

    /** A page as the batch leaves it; null for none, and for one that is removed. */
    public function after(?string $page): ?Page
    {
        return $page === null ? null : $this->outcome->find($page) ?? $this->workspace->pages->find($page);
    }

    /**
     * @param  list<Series<ClaimDifference>>  $undone
     * @return \Generator<int, Address> of pages that are looked at by themselves and of what else the batch is about; some more than once
     */
    private static function addresses(Workspace $workspace, array $undone, PagesAfter $outcome): \Generator
    {
        foreach ($outcome->singly() as $id => $page) {
            foreach (array_filter([$workspace->pages->before($id)?->address, $page?->address]) as $address) {
                yield $address;
            }
        }
        foreach ($undone as $claims) {
            foreach ($claims as $difference) {
                $claim = $difference->before ?? $difference->after;
                if ($claim !== null) {
                    yield Address::kept($claim->address->path, $difference->key);
                }
            }
        }
        foreach ($workspace->wishes() as $wish) {
            yield $wish->address;
        }
        yield from RuleClaims::addresses($workspace);
    }

    /**
     * @param  list<string>  $keys
     * @return \Generator<int, Claim>
     */
    private static function known(ClaimOverlay $claims, array $keys): \Generator
    {
        foreach ($keys as $key) {
            $claim = $claims->now($key);
            if ($claim !== null) {
                yield $claim;
            }
        }
    }

    /** @return iterable<Claim> */
    private static function claimsAbout(Workspace $workspace, PagesAfter $outcome): iterable
    {
        $pages = [];
        foreach ($workspace->pages->touched() as $id) {
            [$before, $page] = [$workspace->pages->before($id), $outcome->find($id)];
            if ($before !== null && ($page === null || $page->isBinned() !== $before->isBinned() || ($page->isLive() && ! $before->isLive()))) {
                $pages[] = $id;
            }
        }

        return $pages === [] ? [] : $workspace->ledger->claimsAbout($pages);
    }
}

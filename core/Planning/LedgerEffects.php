<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\ClaimOverlay;
use Heronstem\Core\Workspace\Workspace;

/**
 * What becomes of the ledger when pages change their addresses: a page lets its old address go and takes
 * the new one; an old address that visitors knew goes on as a redirect to the page; where somebody else
 * holds the new one, there is a conflict. Only the outcome of the whole batch counts, so pages may trade places.
 */
final class LedgerEffects
{
    private readonly ClaimOverlay $sheet;

    /** @var array<string, true> keys whose claim has been read, or is known to be none */
    private array $asked = [];

    /** @var array<string, string> keys that their page lets go => that page */
    private array $released = [];

    /** @var array<string, array{Page, Address, Claim}> wanted and held by somebody else, by key */
    private array $refused = [];

    /** @var list<array{Rule, Address, Claim}> */
    private array $refusedRules = [];

    /** @var list<Note> */
    private array $notes = [];

    /** @var list<Claim> claims about pages that come, go or become visible */
    private array $about = [];

    private readonly RestoredClaims $restoration;

    /** @var list<string> pages that were to be unmade, though visitors know addresses that lead to them */
    private array $stuck = [];

    /**
     * @param  array<string, Page|null>  $outcome
     *
     * @throws InputRefused when a decision cannot be
     */
    public function __construct(private readonly Workspace $workspace, private readonly Batch $batch, private readonly array $outcome)
    {
        $asked = $this->addressesInQuestion();
        foreach ($asked as $address) {
            $this->asked[$address->key] = true;
        }
        $this->sheet = new ClaimOverlay($workspace->ledger->claimsOn($asked));
        foreach ($this->readAbout() as $claim) {
            $this->sheet->know($claim);
            $this->about[] = $claim;
        }
        $this->restoration = new RestoredClaims($workspace, $outcome, $this->sheet, $batch->undoes());
        $this->release();
        $rules = new RuleClaims($workspace, $this->sheet, $batch);
        $rules->letGo();
        $this->take();
        $this->keepAnswering();
        $this->bringBack();
        (new RetiredAddresses($workspace, $outcome, $this->sheet))->retire($this->about);
        $this->grantWishes();
        $this->makeKnown();
        $this->restoration->restore();
        $this->settleRemoved();
        $this->refusedRules = $rules->settle();
    }

    /** What holds an address once the batch is applied. */
    public function claimAt(Address $address): ?Claim
    {
        return $this->sheet->isPlanned($address->key) || isset($this->asked[$address->key]) ? $this->sheet->planned($address->key) : $this->sheet->now($address->key) ?? $this->workspace->ledger->claimsOn([$address])[$address->key] ?? null;
    }

    /** @return list<array{Rule, Address, Claim}> the rule that wants, what it wants, and the claim in its way */
    public function refusedRules(): array
    {
        return $this->refusedRules;
    }

    /** @return list<ClaimDifference> ordered by address */
    public function differences(): array
    {
        return $this->sheet->differences();
    }

    /** @return list<array{Page, Address, Claim}> the page that wants, what it wants, and the claim in its way */
    public function refused(): array
    {
        return array_values($this->refused);
    }

    /** @return list<Note> */
    public function notes(): array
    {
        return $this->notes;
    }

    /** @return list<string> */
    public function stuck(): array
    {
        return $this->stuck;
    }

    public function isWanted(Address $address): bool
    {
        return $this->sheet->isPlanned($address->key);
    }

    /** A page's own address as the batch leaves it. */
    public function addressOf(string $page): Address
    {
        return ($this->outcome[$page] ?? $this->workspace->known($page))->address;
    }

    /** @return list<Address> */
    private function addressesInQuestion(): array
    {
        $addresses = [];
        foreach ($this->outcome as $id => $page) {
            foreach ([$this->workspace->before((string) $id)?->address, $page?->address] as $address) {
                if ($address !== null) {
                    $addresses[$address->key] = $address;
                }
            }
        }
        foreach ($this->batch->undoes() as $undo) {
            foreach ($undo->claims as $difference) {
                $claim = $difference->before ?? $difference->after;
                if ($claim !== null) {
                    $addresses[$difference->key] = $claim->address;
                }
            }
        }
        foreach ($this->workspace->wishes as $wish) {
            $addresses[$wish->address->key] = $wish->address;
        }

        foreach (RuleClaims::addresses($this->workspace) as $address) {
            $addresses[$address->key] = $address;
        }

        return array_values($addresses);
    }

    /** @return iterable<Claim> */
    private function readAbout(): iterable
    {
        $pages = [];
        foreach ($this->outcome as $id => $page) {
            $before = $this->workspace->before((string) $id);
            if ($before !== null && ($page === null || $page->isBinned() !== $before->isBinned() || ($page->isLive() && ! $before->isLive()))) {
                $pages[] = (string) $id;
            }
        }

        return $pages === [] ? [] : $this->workspace->ledger->claimsAbout($pages);
    }

    private function release(): void
    {
        foreach ($this->outcome as $id => $page) {
            $before = $this->workspace->before((string) $id);
            if ($before === null || $before->isBinned()) {
                continue;
            }
            $old = $before->address;
            if (($page === null || $page->isBinned() || $page->address->key !== $old->key) && $this->sheet->now($old->key)?->isPageOf((string) $id) === true) {
                $this->released[$old->key] = (string) $id;
            }
        }
    }

    private function take(): void
    {
        foreach ($this->outcome as $page) {
            if ($page === null || $page->isBinned()) {
                continue;
            }
            $key = $page->address->key;
            $inWay = $this->inWayOf($page, $page->address);
            if ($inWay !== null) {
                $this->refused[$key.' '.$page->id] = [$page, $page->address, $inWay];

                continue;
            }
            $held = $this->sheet->now($key);
            $this->sheet->set($key, Claim::ofPage($page->address, $page->id, ($held->everLive ?? false) || $page->isLive()));
            if ($held !== null && $held->everLive && $held->kind === ClaimKind::Page && $held->page !== $page->id) {
                $this->notes[] = new Note(NoteKind::AddressTakenOver, (string) $held->page, $this->workspace->before((string) $held->page)->name ?? '', $page->name);
            }
        }
    }

    private function inWayOf(Page $page, Address $wanted): ?Claim
    {
        $planned = $this->sheet->isPlanned($wanted->key) ? $this->sheet->planned($wanted->key) : null;
        if ($this->sheet->isMadeFree($wanted->key)) {
            return null;
        }
        if ($planned !== null) {
            return $planned->kind !== ClaimKind::Page && ($planned->page === $page->id || $this->batch->decisions->givesWay($wanted->key)) ? null : $planned;
        }
        if (ReservedAddresses::includes($wanted)) {
            return Claim::reserved($wanted);
        }
        $held = $this->restoration->held($wanted->key);

        return match (true) {
            $held === null, isset($this->released[$wanted->key]), $held->heldFor === $page->id => null,
            $held->kind !== ClaimKind::Page && $this->batch->decisions->givesWay($wanted->key) => null,
            $held->heldFor === null && $held->page === $page->id => null,
            default => $held,
        };
    }

    private function keepAnswering(): void
    {
        foreach ($this->released as $key => $id) {
            $page = $this->outcome[$id] ?? null;
            $claim = $this->sheet->now($key);
            if ($claim === null || $this->sheet->isPlanned($key) || $page?->isBinned() === true) {
                continue;
            }
            $this->sheet->set($key, $claim->everLive ? Claim::redirectTo($claim->address, $id, true) : null);
        }
    }

    /** What waited for a page in the bin leads to it again. */
    private function bringBack(): void
    {
        foreach ($this->about as $claim) {
            $key = $claim->address->key;
            $page = $claim->heldFor === null ? null : $this->outcome[$claim->heldFor] ?? null;
            if ($page !== null && ! $page->isBinned() && ! $this->sheet->isPlanned($key)) {
                $this->sheet->set($key, Claim::redirectTo($claim->address, $page->id, $claim->everLive));
            }
        }
    }

    private function grantWishes(): void
    {
        foreach ($this->workspace->wishes as $wish) {
            $page = $this->outcome[$wish->page] ?? $this->workspace->known($wish->page);
            if ($page->isBinned()) {
                continue;
            }
            $key = $wish->address->key;
            $held = $this->sheet->planned($key);
            if ($wish->kind === null && $held?->kind === ClaimKind::Page) {
                continue; // the same batch made it somebody's own address
            }
            if ($wish->kind === null) {
                if ($held !== null && $held->everLive) {
                    $this->notes[] = new Note(NoteKind::AddressGone, $page->id, $page->name, $wish->address->readable());
                }
                $this->sheet->set($key, $held !== null && $held->everLive ? Claim::gone($wish->address) : null);

                continue;
            }
            $inWay = $held?->isPageOf($page->id) === true ? $held : $this->inWayOf($page, $wish->address);
            if ($inWay !== null) {
                $this->refused[$key.' '.$page->id] = [$page, $wish->address, $inWay];

                continue;
            }
            $known = ($held->everLive ?? false) || $page->isLive();
            $this->sheet->set($key, $wish->kind === ClaimKind::Also ? Claim::alsoOf($wish->address, $page->id, $known) : Claim::redirectTo($wish->address, $page->id, $known));
        }
    }

    /** Once a page is live, visitors know its further addresses too. */
    private function makeKnown(): void
    {
        foreach ($this->about as $about) {
            $claim = $this->sheet->planned($about->address->key);
            $page = $claim?->page === null ? null : $this->outcome[$claim->page] ?? null;
            if ($claim !== null && ! $claim->everLive && $page?->isLive() === true) {
                $this->sheet->set($claim->address->key, $claim->known());
            }
        }
    }

    /** Of a page that goes for good nothing leads to it, and what waited for it waits no more. */
    private function settleRemoved(): void
    {
        foreach ($this->about as $about) {
            $key = $about->address->key;
            $claim = $this->sheet->planned($key);
            if ($claim === null) {
                continue;
            }
            if ($this->isRemoved($claim->page)) {
                if ($claim->everLive) {
                    $this->stuck[] = (string) $claim->page;
                }
                $this->sheet->set($key, null);
            } elseif ($this->isRemoved($claim->heldFor)) {
                $this->sheet->set($key, $claim->kind === ClaimKind::Bin ? null : $claim->heldForNobody());
            }
        }
    }

    private function isRemoved(?string $page): bool
    {
        return $page !== null && array_key_exists($page, $this->outcome) && $this->outcome[$page] === null;
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\Ledger;
use Heronstem\Core\Address\ReservedAddresses;

/**
 * What becomes of the ledger when pages change their addresses: a page lets its old address go and takes
 * the new one; an old address that visitors knew goes on as a redirect to the page; where somebody else
 * holds the new one, there is a conflict. Only the outcome of the whole batch counts, so pages may trade places.
 */
final class LedgerEffects
{
    /** @var array<string, Claim> what is, for every address in question */
    private array $now;

    /** @var array<string, Claim|null> what will be, where it differs or was looked at */
    private array $after = [];

    /** @var array<string, string> keys that their page lets go => that page */
    private array $released = [];

    /** @var array<string, array{Page, Claim}> wanted and held by somebody else */
    private array $refused = [];

    /** @var list<Note> */
    private array $notes = [];

    /** @param  array<string, Page|null>  $outcome */
    public function __construct(private readonly Workspace $workspace, private readonly Batch $batch, private readonly Ledger $ledger, private readonly array $outcome)
    {
        $this->now = $this->ledger->claimsOn($this->addressesInQuestion());
        $this->release();
        $this->take();
        $this->keepAnswering();
        $this->restore();
        $this->guardRemoved();
    }

    /** @return list<ClaimDifference> ordered by address */
    public function differences(): array
    {
        ksort($this->after);
        $differences = [];
        foreach ($this->after as $key => $claim) {
            $was = $this->now[$key] ?? null;
            if (($was === null) !== ($claim === null) || ($was !== null && $claim !== null && ! $was->says($claim))) {
                $differences[] = new ClaimDifference((string) $key, $was, $claim);
            }
        }

        return $differences;
    }

    /** @return list<array{Page, Claim}> the page that wants, and the claim in its way */
    public function refused(): array
    {
        return array_values($this->refused);
    }

    /** @return list<Note> */
    public function notes(): array
    {
        return $this->notes;
    }

    public function isWanted(Address $address): bool
    {
        return isset($this->after[$address->key]);
    }

    /** A page's own address as the batch leaves it. */
    public function addressOf(string $page): Address
    {
        return ($this->outcome[$page] ?? $this->workspace->page($page))->address;
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
        foreach ($this->batch->takesBack()->claims ?? [] as $difference) {
            $claim = $difference->before ?? $difference->after;
            if ($claim !== null) {
                $addresses[$difference->key] = $claim->address;
            }
        }

        return array_values($addresses);
    }

    private function release(): void
    {
        foreach ($this->outcome as $id => $page) {
            $old = $this->workspace->before((string) $id)?->address;
            if ($old !== null && $page?->address->key !== $old->key && ($this->now[$old->key] ?? null)?->isPageOf((string) $id)) {
                $this->released[$old->key] = (string) $id;
            }
        }
    }

    private function take(): void
    {
        foreach ($this->outcome as $page) {
            if ($page === null) {
                continue;
            }
            $key = $page->address->key;
            $inWay = $this->inWayOf($page);
            if ($inWay !== null) {
                $this->refused[$page->id] = [$page, $inWay];

                continue;
            }
            $held = $this->now[$key] ?? null;
            $this->after[$key] = Claim::ofPage($page->address, $page->id, ($held->everLive ?? false) || $page->isLive());
            if ($held !== null && $held->everLive && $held->kind === ClaimKind::Page && $held->page !== $page->id) {
                $this->notes[] = new Note(NoteKind::AddressTakenOver, (string) $held->page, $this->workspace->before((string) $held->page)->name ?? '', $page->name);
            }
        }
    }

    private function inWayOf(Page $page): ?Claim
    {
        $key = $page->address->key;
        if (isset($this->after[$key])) {
            return $this->after[$key];
        }
        if (ReservedAddresses::includes($page->address)) {
            return Claim::reserved($page->address);
        }
        $held = $this->now[$key] ?? null;

        return match (true) {
            $held === null, $held->page === $page->id, isset($this->released[$key]) => null,
            $held->kind === ClaimKind::Redirect && $this->batch->redirectMayGiveWay($key) => null,
            default => $held,
        };
    }

    private function keepAnswering(): void
    {
        foreach ($this->released as $key => $id) {
            if (isset($this->after[$key])) {
                continue;
            }
            $claim = $this->now[$key];
            $this->after[$key] = $claim->everLive ? Claim::redirectTo($claim->address, $id, true) : null;
        }
    }

    /** A batch taken back leaves each address as it was, where nothing else has happened to it since. */
    private function restore(): void
    {
        foreach ($this->batch->takesBack()->claims ?? [] as $difference) {
            $now = $this->now[$difference->key] ?? null;
            $untouched = $now === null ? $difference->after === null : ($difference->after !== null && $now->says($difference->after));
            $was = $difference->before;
            $planned = $this->after[$difference->key] ?? null;
            if (! $untouched || ($planned?->kind === ClaimKind::Page && $planned->page !== $was?->page)) {
                continue;
            }
            if ($was?->kind === ClaimKind::Page) {
                $owner = $this->outcome[(string) $was->page] ?? $this->workspace->find((string) $was->page);
                if ($owner?->address->key === $difference->key) {
                    $this->after[$difference->key] = Claim::ofPage($was->address, $owner->id, $was->everLive || $owner->isLive());
                }
            } elseif ($planned?->kind !== ClaimKind::Page) {
                $this->after[$difference->key] = $was;
            }
        }
    }

    private function guardRemoved(): void
    {
        foreach ($this->outcome as $id => $page) {
            if ($page !== null) {
                continue;
            }
            foreach ($this->ledger->claimsOfPage((string) $id) as $claim) {
                $after = array_key_exists($claim->address->key, $this->after) ? $this->after[$claim->address->key] : $claim;
                if ($after?->page === (string) $id) {
                    throw new ChangeRefused('entry', "Visitors know {$claim->address->readable()}, which leads to this page. Take the page offline instead, so that the address is not lost.");
                }
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Undo;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\ClaimOverlay;
use Heronstem\Core\Workspace\Workspace;

/** A batch that is undone leaves each address as it was, where nothing else has happened to it since. */
final readonly class RestoredClaims
{
    /** @var array<string, Claim|null> what each address goes back to, as far as its page allows */
    private array $back;

    /** @var array<string, true> addresses that stood long enough to be known to visitors */
    private array $stood;

    /**
     * @param  array<string, Page|null>  $outcome
     * @param  list<Undo>  $entries  newest first
     */
    public function __construct(private Workspace $workspace, private array $outcome, private ClaimOverlay $sheet, array $entries)
    {
        $back = $stood = [];
        foreach ($entries as $entry) {
            foreach ($entry->claims as $difference) {
                $now = array_key_exists($difference->key, $back) ? $back[$difference->key] : $sheet->now($difference->key);
                if ($now === null ? $difference->after === null : ($difference->after !== null && $now->says($difference->after))) {
                    $back[$difference->key] = $difference->before;
                    $stood += $entry->hasStood($workspace->now()) ? [$difference->key => true] : [];
                }
            }
        }
        $this->back = $back;
        $this->stood = $stood;
    }

    /** Who holds an address once it is back, or now if it does not go back. */
    public function held(string $key): ?Claim
    {
        $now = $this->sheet->now($key);

        return array_key_exists($key, $this->back) && ! $this->isAt($key, $now) ? $this->back[$key] : $now;
    }

    public function restore(): void
    {
        foreach ($this->back as $key => $claim) {
            $this->settle((string) $key, $claim);
        }
        $this->keepKnown();
    }

    /** Addresses that visitors knew only in between are asked about; unless they are let go they lead to their page. */
    private function keepKnown(): void
    {
        $known = [];
        foreach (array_keys($this->stood) as $key) {
            $now = $this->sheet->now((string) $key);
            $page = $this->after($now?->page);
            $then = $this->sheet->planned((string) $key);
            if ($now !== null && $now->everLive && $page !== null && ! $page->isBinned() && ($then === null || ($then->isPageOf($page->id) && ! $then->everLive))) {
                $known[$page->id][] = $now;
            }
        }
        foreach ($known as $id => $claims) {
            $page = $this->after((string) $id) ?? throw new \LogicException('A page is gone.');
            $decided = $this->workspace->ask(QuestionKind::InBetween, $page, count($claims), QuestionKind::InBetween->answers(), Answer::Redirect, matters: false);
            foreach ($decided?->answer === Answer::Free ? [] : $claims as $claim) {
                $own = $page->address->key === $claim->address->key;
                $this->sheet->set($claim->address->key, $own ? Claim::ofPage($claim->address, $page->id, true) : Claim::redirectTo($claim->address, $page->id, true));
            }
        }
    }

    private function settle(string $key, ?Claim $was): void
    {
        if ($this->ownerAt($key, $was)) {
            return;
        }
        if ($was === null) {
            $this->sheet->set($key, null);

            return;
        }
        $page = $this->after($was->page);
        $stillWaits = $this->after($was->heldFor)?->isBinned() === true;
        $there = $page !== null && ! $page->isBinned();
        match ($was->kind) {
            ClaimKind::Page => $there && $page->address->key === $key ? $this->sheet->set($key, Claim::ofPage($was->address, $page->id, $was->everLive || $page->isLive())) : null,
            ClaimKind::Also, ClaimKind::Redirect => $there ? $this->sheet->set($key, $stillWaits ? $was : $was->heldForNobody()) : null,
            ClaimKind::Gone => $this->sheet->set($key, $stillWaits ? $was : $was->heldForNobody()),
            ClaimKind::Bin => $stillWaits ? $this->sheet->set($key, $was) : null,
            ClaimKind::Rule => $this->workspace->redirects->claimingAt($key) !== null ? $this->sheet->set($key, $was) : null,
            ClaimKind::Reserved => null,
        };
    }

    /** Whether a page has its own address here after all, and it is not the one to which this goes back. */
    private function ownerAt(string $key, ?Claim $was): bool
    {
        $claim = $this->sheet->planned($key);

        return ! ($was?->kind === ClaimKind::Page && $was->page === $claim?->page) && $this->isAt($key, $claim);
    }

    /** Whether the page that holds an address is still there once all is done. */
    private function isAt(string $key, ?Claim $claim): bool
    {
        if ($claim?->kind !== ClaimKind::Page) {
            return false;
        }
        $owner = $this->after($claim->page);

        return $owner !== null && ! $owner->isBinned() && $owner->address->key === $key;
    }

    /** A page as the batch leaves it; null for none, and for one that is removed. */
    private function after(?string $page): ?Page
    {
        return $page === null ? null : $this->outcome[$page] ?? $this->workspace->find($page);
    }
}

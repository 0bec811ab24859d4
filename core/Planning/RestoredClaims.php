<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Undo;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Workspace\BranchTops;

/** A batch that is undone leaves each address as it was, where nothing else has happened to it since. */
final readonly class RestoredClaims
{
    /**
     * @param  array<string, string|null>  $back  what each address goes back to, as far as its page allows, as a short text
     * @param  array<string, BranchTops>  $stood  addresses that stood long enough to be known to visitors, with the pages that are asked about
     * @param  BranchTops|null  $topsSince  the same of pages that are carried along; null where nothing stood so long
     */
    private function __construct(private ClaimsInQuestion $question, private array $back, private array $stood, private ?BranchTops $topsSince)
    {
    }

    public static function of(ClaimsInQuestion $question): self
    {
        $back = $stood = [];
        $tops = null;
        foreach ($question->batch->undoes() as $n => $entry) {
            $tops = $entry->hasStood($question->workspace->now())
                ? new BranchTops(array_fill_keys(self::concerned($entry, $question), true), $question->workspace->pages)
                : null;
            foreach (self::isWritten($entry, $question) ? $question->single->undone[$n] : [] as $difference) {
                $now = array_key_exists($difference->key, $back)
                    ? self::claim($difference->key, $back[$difference->key])
                    : $question->claims->now($difference->key);
                if ($now === null ? $difference->after === null : $difference->after !== null && $now->says($difference->after)) {
                    $back[$difference->key] = $difference->before?->packed();
                    $stood += $tops === null ? [] : [$difference->key => $tops];
                }
            }
        }

        return new self($question, $question->claims->underOwnKeys($back), $question->claims->underOwnKeys($stood), $tops);
    }

    /** @return list<string> pages that an entry changed; where it changed how addresses are written, all of them */
    private static function concerned(Undo $entry, ClaimsInQuestion $question): array
    {
        return $entry->addressRules === null
            ? $entry->pages->each(static fn (PageDifference $difference): string => $difference->page)
            : $question->outcome->ids();
    }

    /** Of a change of how addresses are written, its claims are written by these rules: they come back where just that is taken back. */
    private static function isWritten(Undo $entry, ClaimsInQuestion $question): bool
    {
        $changed = $entry->addressRules;

        return $changed === null ||
            ($question->workspace->site->rules->toArray() === $changed->after->toArray() &&
                $question->workspace->rules()->toArray() === $changed->before->toArray());
    }

    /** Whether an address goes back to what it was. */
    public function includes(string $key): bool
    {
        return array_key_exists($key, $this->back);
    }

    /** Who holds an address once it is back, or now if it does not go back. */
    public function held(string $key): ?Claim
    {
        $now = $this->question->claims->now($key);

        return array_key_exists($key, $this->back) && ! $this->isAt($key, $now) ? self::claim($key, $this->back[$key]) : $now;
    }

    /** @return list<Question> */
    public function restore(): array
    {
        foreach ($this->back as $key => $packed) {
            $this->settle((string) $key, self::claim((string) $key, $packed));
        }

        return $this->keepKnown();
    }

    /**
     * Addresses that visitors knew only in between are asked about, once for a whole branch; unless they are let go they lead to their pages.
     *
     * @return list<Question>
     */
    private function keepKnown(): array
    {
        $known = $questions = [];
        foreach ($this->stood as $key => $tops) {
            $now = $this->question->claims->now((string) $key);
            $page = $this->question->after($now?->page);
            $then = $this->question->claims->planned((string) $key);
            if ($now === null || ! $now->everLive || $this->isSpelling($now)) {
                continue;
            }
            if ($now->kind === ClaimKind::Rule && $then === null) {
                // The rule answers where it did before; what visitors knew only in between is on record.
                $address = $this->question->lookedUpElsewhere($now->address) ?? $now->address;
                $this->question->claims->set($address->key, Claim::gone($address));
            } elseif ($page !== null && ! $page->isBinned() && ($then === null || ($then->isPageOf($page->id) && ! $then->everLive))) {
                $known[$tops->of($page->id)][] = (string) $key;
            }
        }
        $since = $this->knownSince();
        foreach ($known + $since as $id => $_) {
            [$keys, $pages] = [$known[$id] ?? [], $since[$id] ?? []];
            $questions[] = $asked = Question::of(
                $this->question->workspace->decisions,
                QuestionKind::InBetween,
                $this->question->after((string) $id) ?? throw new \LogicException('A page is gone.'),
                count($keys) + count($pages),
                QuestionKind::InBetween->answers(),
                Answer::Redirect,
                matters: false,
            );
            $isFree = $asked->decided?->answer === Answer::Free;
            array_map($this->keep(...), $isFree ? [] : $keys);
            array_map($this->question->outcome->carried()->letGo(...), $isFree ? $pages : []);
        }

        return $questions;
    }

    /**
     * Of pages that are carried along: those whose address visitors may know only since what is undone. The others let it go.
     *
     * @return array<string, non-empty-list<string>> by the page that is asked about
     */
    private function knownSince(): array
    {
        $carried = $this->question->outcome->carried();
        $known = [];
        foreach ($this->question->single->since as $page) {
            if ($this->topsSince === null) {
                $carried->letGo($page);
            } elseif ($carried->isKnown($page)) {
                $known[$this->topsSince->of($carried->topOf($page))][] = $page;
            }
        }

        return $known;
    }

    /** An address goes on leading to the page that has it now. */
    private function keep(string $key): void
    {
        $now = $this->question->claims->now($key);
        $page = $this->question->after($now?->page);
        if ($now === null || $page === null) {
            return;
        }
        $address = $this->question->lookedUpElsewhere($now->address) ?? $now->address;
        $this->question->claims->set(
            $address->key,
            $page->address->key === $address->key ? Claim::ofPage($address, $page->id, true) : Claim::redirectTo($address, $page->id, true),
        );
    }

    private static function claim(string $key, ?string $packed): ?Claim
    {
        return $packed === null ? null : Claim::unpacked($key, $packed);
    }

    /** Whether a request for the address is one for another that somebody holds. */
    private function isSpelling(Claim $claim): bool
    {
        $elsewhere = $this->question->lookedUpElsewhere($claim->address);

        return $elsewhere !== null && $this->question->claims->planned($elsewhere->key) !== null;
    }

    private function settle(string $key, ?Claim $was): void
    {
        if ($this->ownerAt($key, $was)) {
            return;
        }
        if ($was === null) {
            $this->question->claims->set($key, null);

            return;
        }
        $page = $this->question->after($was->page);
        $stillWaits = $this->question->after($was->heldFor)?->isBinned() === true;
        $there = $page !== null && ! $page->isBinned();
        match ($was->kind) {
            ClaimKind::Page => $there && $page->address->key === $key
                ? $this->question->claims->set($key, Claim::ofPage($was->address, $page->id, $was->everLive || $page->isLive()))
                : null,
            ClaimKind::Also, ClaimKind::Redirect => $there ? $this->question->claims->set($key, $stillWaits ? $was : $was->heldForNobody()) : null,
            ClaimKind::Gone => $this->question->claims->set($key, $stillWaits ? $was : $was->heldForNobody()),
            ClaimKind::Bin => $stillWaits ? $this->question->claims->set($key, $was) : null,
            ClaimKind::Rule => $this->question->workspace->redirects->claimingAt($key) !== null ? $this->question->claims->set($key, $was) : null,
            ClaimKind::Reserved => null,
        };
    }

    /** Whether a page has its own address here after all, and it is not the one to which this goes back. */
    private function ownerAt(string $key, ?Claim $was): bool
    {
        $claim = $this->question->claims->planned($key);

        return ! ($was?->kind === ClaimKind::Page && $was->page === $claim?->page) && $this->isAt($key, $claim);
    }

    /** Whether the page that holds an address is still there once all is done. */
    private function isAt(string $key, ?Claim $claim): bool
    {
        if ($claim?->kind !== ClaimKind::Page) {
            return false;
        }
        $owner = $this->question->after($claim->page);

        return $owner !== null && ! $owner->isBinned() && $owner->address->key === $key;
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;

/** Everything that follows from a batch, computed before anything is written: its parts, and what they come to. */
final readonly class Ripple
{
    public function __construct(
        public PageEffects $pages,
        public AddressEffects $addresses,
        public RedirectEffects $redirects,
        public MenuAndLinkEffects $menusAndLinks,
        public SearchEffects $search,
        public ToDecide $toDecide,
        public Drawing $drawing,
        public AccessEffects $access = new AccessEffects(),
        public VisitorEffects $visitors = new VisitorEffects(),
    ) {
    }

    /** @param  list<Conflict>  $conflicts */
    public function withConflicts(array $conflicts): self
    {
        $toDecide = new ToDecide($conflicts, $this->toDecide->questions, $this->toDecide->notes);

        return new self(
            $this->pages,
            $this->addresses,
            $this->redirects,
            $this->menusAndLinks,
            $this->search,
            $toDecide,
            $this->drawing,
            $this->access,
            $this->visitors,
        );
    }

    public function canBeApplied(): bool
    {
        return $this->toDecide->conflicts === [] && $this->toDecide->open() === [];
    }

    /** @return list<RawLinkEffect> links written as addresses that become links to their pages, as was asked or decided */
    public function rewrites(): array
    {
        $mended = $this->mended();
        foreach ($this->toDecide->questions as $question) {
            if ($question->kind === QuestionKind::RawLinks && $question->decided?->answer === Answer::Rewrite) {
                return array_values(array_filter($this->menusAndLinks->rawLinks, static fn (RawLinkEffect $effect): bool => $effect->meant !== null));
            }
        }

        return $mended;
    }

    /** @return list<RawLinkEffect> */
    private function mended(): array
    {
        return array_values(
            array_filter($this->menusAndLinks->rawLinks, static fn (RawLinkEffect $effect): bool => $effect->fate === RawLinkFate::Mended),
        );
    }

    public function changesNothing(): bool
    {
        return $this->pages->differences->isEmpty() &&
            $this->addresses->claims->isEmpty() &&
            $this->addresses->rules === null &&
            $this->menusAndLinks->menus === [] &&
            $this->redirects->rules === [] &&
            $this->toDecide->conflicts === [] &&
            $this->search->settings === null &&
            $this->access->settings === null &&
            $this->mended() === [] &&
            ! $this->pages->changeStartPages();
    }

    /** Whether visitors notice or something of weight goes, so that it is shown before it is done. */
    public function matters(): bool
    {
        return ! $this->toDecide->isEmpty() ||
            $this->movesSeen() ||
            $this->addresses->rules !== null ||
            $this->pages->goOffline !== [] ||
            $this->pages->changeStartPages() ||
            $this->menusAndLinks->menus !== [] ||
            $this->redirects->rules !== [] ||
            $this->search->matters() ||
            $this->access->effects !== [] ||
            $this->visitors->changes !== [] ||
            $this->mended() !== [] ||
            count($this->pages->copies) > 1;
    }

    /** Whether a page goes elsewhere that visitors know where it is. */
    private function movesSeen(): bool
    {
        foreach ($this->addresses->moves as $move) {
            if ($move->seen) {
                return true;
            }
        }

        return false;
    }

    /**
     * Stands for all that the ripple would write. Two ripples with one digest are the same,
     * so a ripple shown a while ago may be applied as long as the digest has not changed.
     */
    public function digest(): string
    {
        $hash = hash_init('sha256');
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE;
        foreach ([$this->pages->differences, $this->addresses->claims, $this->menusAndLinks->menus, $this->redirects->rules] as $differences) {
            foreach ($differences as $difference) {
                hash_update($hash, json_encode($difference->toArray(), $flags));
            }
            hash_update($hash, "\n");
        }
        $conflicts = array_map(
            static fn (Conflict $c): array => [$c->address->path, $c->page, $c->rule, $c->held->page, $c->held->heldFor],
            $this->toDecide->conflicts,
        );
        hash_update(
            $hash,
            json_encode(
                [
                    $conflicts,
                    $this->pages->startPage?->after,
                    ...$this->pages->startPageSignedIn === null ? [] : [$this->pages->startPageSignedIn->after],
                    ...$this->search->settings === null ? [] : [$this->search->settings->after],
                    ...$this->addresses->rules === null ? [] : [$this->addresses->rules->toArray()],
                    ...$this->access->settings === null ? [] : [$this->access->settings->toArray()],
                ],
                $flags,
            ),
        );
        $rewrites = array_map(
            static fn (RawLinkEffect $effect): array => [$effect->link->page, $effect->link->href, $effect->meant?->id],
            $this->rewrites(),
        );
        hash_update($hash, $rewrites === [] ? '' : json_encode($rewrites, $flags));

        return hash_final($hash);
    }
}

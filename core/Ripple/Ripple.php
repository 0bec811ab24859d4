<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;

/** Everything that follows from a batch, computed before anything is written. */
final readonly class Ripple
{
    /**
     * @param  list<AddressMove>  $moves  pages that only inherit included
     * @param  list<Claim>  $redirectsWritten
     * @param  list<Claim>  $redirectsDropped  because a page takes the address back
     * @param  list<Claim>  $gone  addresses recorded as gone
     * @param  list<string>  $binned  pages put in the bin, those that go along included
     * @param  list<MenuEffect>  $menu
     * @param  int  $linksFollow  links in content that lead to moved pages, and follow by themselves
     * @param  int  $linksBreak  links in content that lead to pages which visitors no longer get
     * @param  list<RawLinkEffect>  $rawLinks  links written as addresses that go through a redirect, lead elsewhere or break
     * @param  int  $sitemapEntries  sitemap entries that come, go or change
     * @param  list<string>  $goLive
     * @param  list<string>  $goOffline
     * @param  array<string, string>  $copies  pages made as copies, each with what it is a copy of
     * @param  list<Conflict>  $conflicts  open: nothing can be applied before each has its way out
     * @param  list<Question>  $questions
     * @param  list<Note>  $notes
     * @param  list<PageDifference>  $pages  the exact inverse's material
     * @param  list<ClaimDifference>  $claims
     * @param  list<MenuDifference>  $menus
     * @param  list<RuleDifference>  $rules
     * @param  list<string>  $menusTouched  menus that may look different
     * @param  array<string, Page|null>  $outcome  every page as it will be, by identity
     * @param  array<string, Page>  $heirs  pages that stay as they are, and to which redirects lead from now on
     */
    public function __construct(
        public array $moves,
        public array $redirectsWritten,
        public array $redirectsDropped,
        public array $gone,
        public array $binned,
        public array $menu,
        public int $linksFollow,
        public int $linksBreak,
        public array $rawLinks,
        public int $sitemapEntries,
        public array $goLive,
        public array $goOffline,
        public array $copies,
        public ?StartPageDifference $startPage,
        public ?StartPageDifference $startPageSignedIn,
        public array $conflicts,
        public array $questions,
        public array $notes,
        public array $pages,
        public array $claims,
        public array $menus,
        public array $rules,
        public array $menusTouched,
        public array $outcome,
        public array $heirs,
        public Drawing $drawing,
    ) {
    }

    /** @param  list<Conflict>  $conflicts */
    public function withConflicts(array $conflicts): self
    {
        return new self(...[...get_object_vars($this), 'conflicts' => $conflicts]);
    }

    public function canBeApplied(): bool
    {
        return $this->conflicts === [] && $this->open() === [];
    }

    /** @return list<Question> */
    public function open(): array
    {
        return array_values(array_filter($this->questions, static fn (Question $question): bool => $question->isOpen()));
    }

    /** @return list<RawLinkEffect> links written as addresses that become links to their pages, as was decided */
    public function rewrites(): array
    {
        foreach ($this->questions as $question) {
            if ($question->kind === QuestionKind::RawLinks && $question->decided?->answer === Answer::Rewrite) {
                return array_values(array_filter($this->rawLinks, static fn (RawLinkEffect $effect): bool => $effect->meant !== null));
            }
        }

        return [];
    }

    public function changesNothing(): bool
    {
        return $this->pages === [] && $this->claims === [] && $this->menus === [] && $this->rules === [] && $this->conflicts === [] && $this->startPage === null && $this->startPageSignedIn === null;
    }

    /** Whether visitors notice or something of weight goes, so that it is shown before it is done. */
    public function matters(): bool
    {
        $seen = array_filter($this->moves, static fn (AddressMove $move): bool => $move->seen);

        return $seen !== [] || $this->conflicts !== [] || $this->questions !== [] || $this->notes !== [] || $this->goOffline !== [] || $this->startPage !== null || $this->startPageSignedIn !== null || $this->menus !== [] || $this->rules !== [] || count($this->copies) > 1;
    }

    /**
     * Stands for all that the ripple would write. Two ripples with one digest are the same,
     * so a ripple shown a while ago may be applied as long as the digest has not changed.
     */
    public function digest(): string
    {
        $hash = hash_init('sha256');
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE;
        foreach ([$this->pages, $this->claims, $this->menus, $this->rules] as $differences) {
            foreach ($differences as $difference) {
                hash_update($hash, json_encode($difference->toArray(), $flags));
            }
            hash_update($hash, "\n");
        }
        $conflicts = array_map(static fn (Conflict $c): array => [$c->address->path, $c->page, $c->rule, $c->held->page, $c->held->heldFor], $this->conflicts);
        hash_update($hash, json_encode([$conflicts, $this->startPage?->after, ...($this->startPageSignedIn === null ? [] : [$this->startPageSignedIn->after])], $flags));
        $rewrites = array_map(static fn (RawLinkEffect $effect): array => [$effect->link->page, $effect->link->href, $effect->meant?->id], $this->rewrites());
        hash_update($hash, $rewrites === [] ? '' : json_encode($rewrites, $flags));

        return hash_final($hash);
    }
}

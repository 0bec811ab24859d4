<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Search\SiteSearchDifference;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\PackedDifferences;
use Heronstem\Core\Tree\PackedPages;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;
use Heronstem\Core\Workspace\BinMates;
use Heronstem\Core\Workspace\BinnedInside;
use Heronstem\Core\Workspace\BranchTops;
use Heronstem\Core\Workspace\Workspace;

/**
 * Restores what an applied batch changed: every page's own fields, and the claims it made or dropped.
 * Goes through the planner like any change, so it has a ripple of its own and can be undone too.
 * What has changed again since stays as it is, and a note says so.
 */
final readonly class Undo implements Change
{
    /** Seconds in which a change counts as a slip: what visitors could see in between is not known to anybody. */
    public const GRACE = 60;

    /**
     * @param  string  $entry  the history entry being undone
     * @param  Series<PageDifference>  $pages  what that entry did
     * @param  Series<ClaimDifference>  $claims
     * @param  list<MenuDifference>  $menus
     * @param  list<RuleDifference>  $rules
     * @param  Moment|null  $at  when it was applied; null for just now
     * @param  AccessDifference|null  $access  of rights, roles and people
     * @param  AddressRulesDifference|null  $addressRules  how addresses are written
     * @param  list<string>|null  $only  pages of which alone it is undone, so that the rest of it is still in effect; null for the whole
     */
    public function __construct(
        public string $entry,
        public Series $pages,
        public Series $claims,
        public ?StartPageDifference $startPage = null,
        public array $menus = [],
        public ?StartPageDifference $startPageSignedIn = null,
        public array $rules = [],
        public ?Moment $at = null,
        public ?SiteSearchDifference $search = null,
        public ?array $only = null,
        public ?AccessDifference $access = null,
        public ?AddressRulesDifference $addressRules = null,
    ) {
    }

    public function on(Workspace $workspace): void
    {
        $this->addressRulesBack($workspace);
        $start = $workspace->startPage();
        if ($this->startPage !== null && $start === $this->startPage->after) {
            $workspace->setStartPage($this->startPage->before);
        }
        $placed = new PackedPages();
        [$found, $made] = $this->foundAndMade($workspace);
        $tops = new BranchTops(
            array_fill_keys($found->ids(), true) + array_fill_keys(array_map(strval(...), array_keys($made)), true),
            $workspace->pages,
        );
        $workspace->pages->expectChildren(array_map(strval(...), array_keys($made)));
        foreach (array_reverse($found->ids()) as $id) {
            $difference = $found->find($id) ?? throw new \LogicException('A difference is gone.');
            $now = $workspace->pages->find($difference->page);
            if ($difference->wasRemoved()) {
                $now === null
                    ? $workspace->pages->put($difference->restored($workspace->rules()))
                    : $this->say(NoteKind::Stays, $now, 'existence', $workspace);
                $placed->put($difference->page, null);
            } elseif ($now !== null) {
                $workspace->pages->put($this->undone($difference, $now, $workspace, $tops));
                $placed->put($difference->page, $now);
            } else {
                $workspace->note(
                    new Note(
                        NoteKind::IsGone,
                        $difference->page,
                        (string) ($difference->before['name'] ?? ($workspace->pages->before($difference->page)->name ?? '')),
                    ),
                );
            }
        }
        // Only now, when nothing that had been put inside of them is there any more.
        $unmaking = new Unmaking($made, new BinnedInside($tops, $workspace->pages), $workspace);
        $unmaking->all();
        $this->guardPlaces($placed, $unmaking, $workspace);
        $this->startPageBack($start, $workspace);
        $this->menusBack($workspace);
        $this->rulesBack($workspace);
        $this->signedInStartBack($workspace);
        $this->oneStartPage($workspace);
        $this->searchBack($workspace);
        $this->accessBack($workspace);
    }

    /** @return array{PackedDifferences, array<string, string|null>} of pages that were there; of those made, by page, what strayed since */
    private function foundAndMade(Workspace $workspace): array
    {
        $found = new PackedDifferences();
        $made = [];
        foreach ($this->pages as $difference) {
            if ($difference->wasMade()) {
                $now = $workspace->pages->find($difference->page);
                $made[$difference->page] = $now === null ? null : $difference->strayedIn($now)[0] ?? null;
            } else {
                $found->put($difference);
            }
        }

        return [$found, $made];
    }

    /** Whether what the change showed visitors stood long enough to be known. */
    public function hasStood(Moment $now): bool
    {
        return $this->at !== null && $now->seconds - $this->at->seconds > self::GRACE;
    }

    public function pagesNamed(): array
    {
        $named = [];
        foreach ($this->pages as $difference) {
            $named[] = $difference->page;
            foreach ([$difference->before['parent'] ?? null, $difference->after['parent'] ?? null] as $parent) {
                if (is_string($parent)) {
                    $named[] = $parent;
                }
            }
        }

        return $named;
    }

    public function kind(): string
    {
        return 'undo';
    }

    /** Which change it was is told by the history, which has its sentence. */
    public function sentence(Outcome $outcome): string
    {
        return 'Undid a change';
    }

    public function toArray(): array
    {
        return ['kind' => 'undo', 'entry' => $this->entry, ...$this->only === null ? [] : ['pages' => $this->only]];
    }

    /** A rule that has changed again since stays, and one whose source another rule has by now stays away. */
    private function rulesBack(Workspace $workspace): void
    {
        if ($this->addressRules !== null && $workspace->rulesDifference() === null) {
            return; // they are written by the rules that stay
        }
        $back = [];
        foreach ($this->rules as $difference) {
            $now = $workspace->redirects->find($difference->rule);
            if (! $difference->isStill($now)) {
                $workspace->note(new Note(NoteKind::RedirectStays, $difference->rule, ($now ?? $difference->before)->source ?? ''));
            } elseif ($difference->before === null) {
                $workspace->redirects->remove($difference->rule);
            } else {
                $workspace->redirects->put($difference->before);
                $back[] = [$difference->before, $now];
            }
        }
        // Only once all are back it is known whether two answer for the same.
        foreach ($back as [$rule, $found]) {
            if ($workspace->redirects->sameSourceAs($rule) !== null) {
                $found === null ? $workspace->redirects->remove($rule->id) : $workspace->redirects->put($found);
                $workspace->note(new Note(NoteKind::RedirectStays, $rule->id, $rule->source));
            }
        }
    }

    /** Entries whose page is gone meanwhile stay out: an entry leads somewhere. */
    private function menusBack(Workspace $workspace): void
    {
        foreach ($this->menus as $difference) {
            $now = $workspace->menus->find($difference->menu);
            if ($now !== null && $difference->strayedIn($now)) {
                $workspace->note(new Note(NoteKind::MenuStays, $difference->menu, $now->name));
            }
            $back = $difference->undoneIn($now);
            $back = $back?->withoutPages(
                array_fill_keys(array_filter($back->pagesNamed(), static fn (string $page): bool => $workspace->pages->find($page) === null), true),
            );
            if ($back === null) {
                $workspace->menus->remove($difference->menu);
            } else {
                $workspace->menus->put($back);
            }
        }
        $this->onePlaceEach($workspace);
        $this->oneNameEach($workspace);
    }

    /** First of all: what else comes back is written as the rules are then. */
    private function addressRulesBack(Workspace $workspace): void
    {
        if ($this->addressRules === null) {
            return;
        }
        $back = $this->addressRules->undoneOn($workspace->rules());
        if ($back !== null) {
            $workspace->setRules($back);
        } else {
            $workspace->note(new Note(NoteKind::AddressRulesStay, $this->entry, 'how addresses are written'));
        }
    }

    private function searchBack(Workspace $workspace): void
    {
        if ($this->search === null) {
            return;
        }
        $isWhole = $this->search->canBeUndoneOn($workspace->search());
        $workspace->setSearch($this->search->undoneOn($workspace->search()));
        if (! $isWhole) {
            $workspace->note(new Note(NoteKind::SearchStays, $this->entry, 'search settings'));
        }
    }

    private function accessBack(Workspace $workspace): void
    {
        if ($this->access === null) {
            return;
        }
        $isWhole = $this->access->canBeUndoneOn($workspace->access());
        $workspace->setAccess($this->access->undoneOn($workspace->access()));
        if (! $isWhole) {
            $workspace->note(new Note(NoteKind::AccessStays, $this->entry, 'rights and people'));
        }
    }

    private function signedInStartBack(Workspace $workspace): void
    {
        if ($this->startPageSignedIn === null) {
            return;
        }
        $former = $this->startPageSignedIn->before === null ? null : $workspace->pages->find($this->startPageSignedIn->before);
        $isFit = $this->startPageSignedIn->before === null || ($former !== null && ! $former->isBinned() && $former->id !== $workspace->startPage());
        if ($isFit && $workspace->startPageSignedIn() === $this->startPageSignedIn->after) {
            $workspace->setStartPageSignedIn($this->startPageSignedIn->before);
        } elseif ($former !== null) {
            $this->say(NoteKind::Stays, $former, 'start page', $workspace);
        }
    }

    /** Signed-in people who get the visitors' start page have none of their own. */
    private function oneStartPage(Workspace $workspace): void
    {
        if ($workspace->startPageSignedIn() === $workspace->startPage()) {
            $workspace->setStartPageSignedIn(null);
        }
    }

    /** A place that another menu has taken since stays with that one. */
    private function onePlaceEach(Workspace $workspace): void
    {
        foreach ($this->menus as $difference) {
            $back = $workspace->menus->find($difference->menu);
            foreach ($workspace->menus->after() as $other) {
                if ($back !== null && $back->place !== null && $other->id !== $back->id && $other->place === $back->place) {
                    $workspace->menus->put($back->at(null));
                    $workspace->note(new Note(NoteKind::MenuStays, $back->id, $back->name));
                    break;
                }
            }
        }
    }

    /** A name that another menu has taken since stays with that one; the one that comes back is numbered. */
    private function oneNameEach(Workspace $workspace): void
    {
        foreach ($this->menus as $difference) {
            $back = $workspace->menus->find($difference->menu);
            $free = $back === null ? '' : MenuNames::free($back->name, $back->id, $workspace);
            if ($back !== null && $free !== $back->name) {
                $workspace->menus->put($back->named($free));
                $workspace->note(new Note(NoteKind::MenuStays, $back->id, $free));
            }
        }
    }

    /** @param  string|null  $start the start page as it was found */
    private function startPageBack(?string $start, Workspace $workspace): void
    {
        if ($this->startPage === null) {
            return;
        }
        $former = $this->startPage->before === null ? null : $workspace->pages->find($this->startPage->before);
        $now = $start === null ? null : $workspace->pages->find($start);
        $isBack = $start === $this->startPage->after && ($this->startPage->before === null || ($former !== null && ! $former->isBinned()));
        if (! $isBack) {
            if ($start !== null && ($now === null || $now->isBinned())) {
                throw new InputRefused(
                    'entry',
                    'The former start page is gone, and the one since would go with this. Choose another start page first.',
                );
            }
            $workspace->setStartPage($start);
            if ($former !== null || $now !== null) {
                $this->say(NoteKind::Stays, $former ?? $now, 'start page', $workspace);
            }

            return;
        }
        foreach (array_filter([$now, $former]) as $page) {
            $workspace->pages->put($page);
        }
    }

    /** In the bin a page stays below the one that it went there with: they come back, or are deleted for good, together. */
    private function leavesItsBin(Page $back, Page $now): bool
    {
        return $back->isBinned() && $back->bin !== $back->id && $back->bin === $now->bin && $back->parent !== $now->parent;
    }

    private function undone(PageDifference $difference, Page $now, Workspace $workspace, BranchTops $tops): Page
    {
        $strayed = $difference->strayedIn($now);
        $back = $difference->undoneIn($now, $workspace->rules(), $strayed);
        if ($this->leavesItsBin($back, $now)) {
            $strayed[] = 'place';
            $back = $difference->undoneIn($now, $workspace->rules(), $strayed);
        }
        foreach ($strayed as $aspect) {
            $this->say(NoteKind::Stays, $now, $aspect, $workspace);
        }
        if (
            $now->everLive &&
            ! $back->everLive &&
            $this->hasStood($workspace->now()) &&
            $workspace->decisions->on(QuestionKind::InBetween, $tops->of($now->id), Answer::Redirect)?->answer !== Answer::Free
        ) {
            $back = $back->with(['everLive' => true]);
        }
        // What went into the bin with another page hangs where it hangs until that comes back, unless it lies on its own again.
        if ($now->isBinned() && $back->isBinned() && $now->bin !== $now->id && $back->bin !== $back->id && $back->parent !== $now->parent) {
            $this->say(NoteKind::Stays, $now, 'place', $workspace);
            $back = $back->placed($now->parent, $now->position);
        }
        if ($back->isBinned() && $workspace->isStartPage($now->id)) {
            $this->say(NoteKind::Stays, $now, 'state', $workspace);

            return $now;
        }

        return $back;
    }

    /**
     * A page whose old place is gone, in the bin, or by now inside the page itself stays where it is.
     *
     * @param  PackedPages  $placed  pages put back, each as it was found; none for one that had been removed
     */
    private function guardPlaces(PackedPages $placed, Unmaking $unmaking, Workspace $workspace): void
    {
        $open = $placed->ids();
        do {
            $unfit = [];
            $leaving = $this->leavingChildren($open, $placed, $workspace);
            foreach ($open as $id) {
                $page = $workspace->pages->find($id);
                if ($page !== null && (isset($leaving[$id]) || ! $this->fits($page, $workspace))) {
                    $unfit[] = $id;
                }
            }
            foreach ($unfit as $id) {
                [$page, $found] = [$workspace->pages->known($id), $placed->find($id)];
                $unmaking->keep($found?->parent);
                // One that comes back out of nowhere has no other place than the top, or the bin for itself.
                $workspace->pages->put(
                    $found === null ? $page->with(['parent' => null, 'bin' => $page->bin === null ? null : $page->id]) : $this->stay($page, $found),
                );
                $this->say(NoteKind::Stays, $page, 'place', $workspace);
            }
            $open = array_values(array_diff($open, $unfit));
        } while ($unfit !== []);
        $unmaking->sayWhatWasKept();
        BinMates::settle($workspace->pages);
        $taken = [];
        foreach ($this->pages as $difference) {
            $this->makeRoom($difference->page, $workspace, $taken);
        }
    }

    /** The page with the place, and where that hangs together the bin, that it was found with. */
    private function stay(Page $page, Page $found): Page
    {
        $page = $page->placed($found->parent, $found->position);

        return $page->isBinned() === $found->isBinned()
            ? $page
            : $page->with(['state' => $found->state, 'was' => $found->was, 'bin' => $found->bin, 'address' => $found->address]);
    }

    /**
     * Pages that would go back into the bin and leave a child behind in the tree, one made or moved there since.
     *
     * @param  list<string>  $open  of those put back
     * @return array<string, true>
     */
    private function leavingChildren(array $open, PackedPages $placed, Workspace $workspace): array
    {
        $going = array_values(
            array_filter(
                $open,
                static fn (string $id): bool => $workspace->pages->find($id)?->isBinned() === true && $placed->find($id)?->isBinned() === false,
            ),
        );
        $workspace->pages->expectChildren($going);
        $leaving = [];
        foreach ($going as $id) {
            if ($workspace->pages->childOrder($id) !== []) {
                $leaving[$id] = true;
            }
        }

        return $leaving;
    }

    private function fits(Page $page, Workspace $workspace): bool
    {
        if ($page->isBinned()) {
            $root = $workspace->pages->find((string) $page->bin);
            if ($root === null || $root->bin !== $root->id) {
                return false;
            }
        }
        for ($steps = [$page->id => true], $above = $page; $above->parent !== null;) {
            $parent = $workspace->pages->find($above->parent);
            if ($parent === null || ($parent->isBinned() && ! $page->isBinned()) || isset($steps[$parent->id])) {
                return false;
            }
            $steps[$parent->id] = true;
            $above = $parent;
        }

        return true;
    }

    /**
     * Somebody may have put another page exactly where this one was.
     *
     * @param  array<string, array<int, int>>  $taken  how many have each position, by parent, of those looked at so far
     */
    private function makeRoom(string $id, Workspace $workspace, array &$taken): void
    {
        $page = $workspace->pages->find($id);
        if ($page === null || $page->isBinned()) {
            return;
        }
        $among = $page->parent ?? '';
        $taken[$among] ??= array_count_values($workspace->pages->childOrder($page->parent));
        $position = $page->position;
        while (($taken[$among][$position] ?? 0) > ($position === $page->position ? 1 : 0)) {
            $position++;
        }
        if ($position !== $page->position) {
            $taken[$among][$page->position]--;
            $taken[$among][$position] = 1;
            $workspace->pages->put($page->placed($page->parent, $position));
        }
    }

    private function say(NoteKind $kind, Page $page, string $what, Workspace $workspace): void
    {
        $workspace->note(new Note($kind, $page->id, $page->name, $what));
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;

/**
 * The rights of somebody who prepares pages: those that visitors never saw, in their branch. Looked at is everything
 * that a batch would do, down to the last address it lets go; the kinds of change that it names say nothing.
 */
final class Preparing
{
    /** What is set on a page while it is prepared; everything else is a manager's. */
    private const FIELDS = [
        'parent' => true,
        'position' => true,
        'name' => true,
        'slug' => true,
        'slugByHand' => true,
        'state' => true,
        'bin' => true,
        'was' => true,
        'reviewNote' => true,
        'address' => true,
        'heading' => true,
        'summary' => true,
        'searchTitle' => true,
        'searchDescription' => true,
        'prepared' => true,
        'saved' => true,
        'layout' => true,
        'fields' => true,
        'socialTitle' => true,
        'socialDescription' => true,
        'search' => true,
        'tags' => true,
        'showing' => true,
    ];

    /** States that a page goes through before visitors see it. */
    private const STATES = ['draft' => true, 'review' => true, 'bin' => true];

    /** @var array<string, bool> */
    private array $held = [];

    private Ripple $ripple;

    private ?string $root = null;

    public function __construct(private readonly Branch $branch)
    {
    }

    /**
     * Cost: one look at the branch for all pages concerned, one more a parent whose children are spaced anew.
     *
     * @throws BeyondRights naming what is not theirs
     */
    public function guard(Ripple $ripple): void
    {
        $this->ripple = $ripple;
        $this->root = $this->branch->root();
        $this->held = $this->branch->holds($this->pagesConcerned());
        $this->guardRest();
        $spaced = [];
        foreach ($ripple->pages->differences as $difference) {
            $page = $ripple->pages->outcome[$difference->page] ?? null;
            if ($page !== null && $this->isSpacedAnew($difference, $page)) {
                $spaced[(string) $page->parent][$page->id] = $page->position;

                continue;
            }
            $page === null ? $this->guardRemoved($difference) : $this->guardPage($difference, $page);
        }
        foreach ($ripple->addresses->moves as $move) {
            $this->guardKnown($ripple->pages->outcome[$move->page] ?? null);
            $this->guardBranch($move->page, $move->name);
        }
        foreach ($ripple->addresses->claims as $difference) {
            $this->guardClaim($difference);
        }
        foreach ($spaced as $parent => $positions) {
            $this->guardOrder($parent === '' ? null : (string) $parent, $positions);
        }
    }

    /** @return list<string> */
    private function pagesConcerned(): array
    {
        $ids = [];
        foreach ($this->ripple->pages->differences as $difference) {
            array_push(
                $ids,
                $difference->page,
                $difference->before['parent'] ?? null,
                $difference->after['parent'] ?? null,
                ($this->ripple->pages->outcome[$difference->page] ?? null)?->parent,
            );
        }
        foreach ($this->ripple->addresses->claims as $difference) {
            array_push($ids, $difference->before?->page, $difference->before?->heldFor, $difference->after?->page, $difference->after?->heldFor);
        }
        foreach ($this->ripple->addresses->moves as $move) {
            $ids[] = $move->page;
        }

        return array_values(array_unique(array_map(strval(...), array_filter($ids, static fn (mixed $id): bool => $id !== null))));
    }

    private function guardRest(): void
    {
        $ripple = $this->ripple;
        if ($ripple->search->settings !== null) {
            throw new BeyondRights('What holds for the whole site is set by a manager.');
        }
        if ($ripple->pages->startPage !== null || $ripple->pages->startPageSignedIn !== null) {
            throw new BeyondRights('Which page visitors get at the start is a manager\'s to change.');
        }
        if ($ripple->menusAndLinks->menus !== []) {
            throw new BeyondRights('This changes a menu. A manager arranges menus; leave its entries as they are, or ask one.');
        }
        if (
            $ripple->redirects->rules !== [] ||
            array_filter($ripple->toDecide->conflicts, static fn (Conflict $conflict): bool => $conflict->rule !== null) !== []
        ) {
            throw new BeyondRights('This changes a redirect. Redirects are made, changed and removed by a manager.');
        }
        if ($ripple->rewrites() !== []) {
            throw new BeyondRights('This rewrites links on pages that visitors see. Leave the links as they are, or ask a manager.');
        }
    }

    /** Siblings may be given other positions to make room; nothing of them changes as long as their order does not. */
    private function isSpacedAnew(PageDifference $difference, Page $page): bool
    {
        return $page->everLive && $difference->before !== null && $difference->aspects() === ['place'] && ! $difference->changedParent();
    }

    /** @param  array<string, int>  $positions  those that change */
    private function guardOrder(?string $parent, array $positions): void
    {
        $before = array_filter(
            $this->branch->childOrder($parent),
            fn (int $position, string $id): bool => isset($positions[$id]) || $this->staysKnown($id, $parent),
            ARRAY_FILTER_USE_BOTH,
        );
        $after = [...$before, ...$positions];
        asort($after);
        if (array_keys($before) !== array_keys($after)) {
            foreach (array_keys($positions) as $id) {
                $this->guardKnown($this->ripple->pages->outcome[$id] ?? null);
            }
        }
    }

    /** Of pages that the ripple only looked at, those that visitors know keep their place among the others. */
    private function staysKnown(string $id, ?string $parent): bool
    {
        $page = $this->ripple->pages->outcome[$id] ?? null;

        return $page === null || ($page->everLive && $page->parent === $parent && ! $page->isBinned());
    }

    private function guardRemoved(PageDifference $difference): void
    {
        $name = (string) ($difference->before['name'] ?? '');
        if (($difference->before['everLive'] ?? false) === true) {
            throw new BeyondRights("Visitors know “{$name}”; only a manager removes it.");
        }
        if (($difference->before['state'] ?? null) === 'bin') {
            throw new BeyondRights("Emptying “{$name}” out of the bin is done by a manager.");
        }
        $this->guardBranch($difference->page, $name);
    }

    private function guardPage(PageDifference $difference, Page $page): void
    {
        $wasKnown = (bool) ($difference->before['everLive'] ?? $page->everLive);
        if (! $wasKnown && ($page->everLive || ! isset(self::STATES[$page->state->value]))) {
            throw new BeyondRights('Writers prepare pages; putting them live, taking them offline and undoing is done by a manager.');
        }
        if ($wasKnown && ! $difference->wasMade()) {
            $this->guardKnown($page->everLive ? $page : $page->with(['everLive' => true]));
        }
        $fields = $difference->wasMade()
            ? ['pinned' => $page->pinned !== null, 'isProtected' => $page->isProtected, 'everLive' => $page->everLive, 'from' => $page->from !== null]
            : array_diff_key(array_fill_keys(array_keys($difference->before ?? []), true), self::FIELDS);
        if (array_filter($fields) !== []) {
            throw new BeyondRights("Writers set name, slug, place and texts of “{$page->name}”; the rest of it is set by a manager.");
        }
        if (! $difference->wasMade()) {
            $this->guardBranch($page->id, $page->name);
        }
        if ($difference->wasMade() || in_array('place', $difference->aspects(), true)) {
            $this->guardPlace($page);
        }
    }

    private function guardPlace(Page $page): void
    {
        if ($this->root !== null && ($page->id === $this->root || ! $this->isInside($page->parent))) {
            throw new BeyondRights('You write in one branch of this site; this place lies outside it.');
        }
    }

    private function guardKnown(?Page $page): void
    {
        if ($page?->everLive === true) {
            throw new BeyondRights("Visitors know “{$page->name}”; only a manager changes it, its slug or place, or retires it.");
        }
    }

    private function guardBranch(string $id, string $name): void
    {
        if (! $this->isInside($id)) {
            throw new BeyondRights("You write in another branch; “{$name}” lies outside it.");
        }
    }

    private function guardClaim(ClaimDifference $difference): void
    {
        $before = $difference->before;
        $after = $difference->after;
        if ($before !== null && ($before->everLive || $before->kind === ClaimKind::Rule)) {
            throw new BeyondRights("{$before->address->readable()} is known to visitors; only a manager decides what answers there.");
        }
        if ($after !== null && ($after->everLive || ! in_array($after->kind, [ClaimKind::Page, ClaimKind::Bin], true))) {
            throw new BeyondRights("What answers at {$after->address->readable()} is a manager's to decide.");
        }
        foreach ([$before, $after] as $claim) {
            $this->guardHolder($claim);
        }
    }

    private function guardHolder(?Claim $claim): void
    {
        $holder = $claim === null ? null : $claim->page ?? $claim->heldFor;
        if ($claim !== null && ($holder === null || ! $this->isInside($holder))) {
            throw new BeyondRights("{$claim->address->readable()} belongs to a page outside your branch.");
        }
    }

    /** Whether a page lies in the branch; one that is made lies where it is put. */
    private function isInside(?string $page): bool
    {
        if ($this->root === null) {
            return true;
        }
        for ($steps = 0; $page !== null && $steps < 100; $steps++) {
            if (isset($this->held[$page])) {
                return $this->held[$page];
            }
            $page = ($this->ripple->pages->outcome[$page] ?? null)?->parent;
        }

        return false;
    }
}

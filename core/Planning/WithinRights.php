<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Marks;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;

/**
 * Whether everything that a batch would do is within somebody's rights, down to the last address it lets go. Each effect takes
 * rights where it happens; the kinds of change that a batch names say nothing.
 */
final class WithinRights
{
    /** What is set for the whole site of how it is found, and the right it takes; everything else there is of search. */
    private const SITE_SEARCH = ['head' => Right::Code, 'outside' => Right::Settings, 'fieldDefaults' => Right::Fields];

    private Ripple $ripple;

    private NeededRights $need;

    public function __construct(private readonly RightsOfPerson $rights, private readonly Marks $marks)
    {
    }

    /**
     * Cost: one look at where the pages concerned stand, none where no branch is spoken of, and one more a parent whose children are
     * spaced anew.
     *
     * @throws BeyondRights naming what is not theirs
     */
    public function guard(Ripple $ripple): void
    {
        if ($this->rights->isOwner()) {
            return;
        }
        $this->ripple = $ripple;
        $places = PlacesOfRipple::of($ripple, $this->marks, $this->rights->branches());
        $this->need = new NeededRights($this->rights, $places);
        $this->guardSite();
        $this->guardPages();
        foreach ($ripple->addresses->moves as $move) {
            // Whoever may change addresses that visitors know may change those that nobody knows yet.
            $mayAnyhow = ! $move->seen && $this->rights->may(Right::Addresses, $places->before($move->page));
            $this->need->on($move->seen || $mayAnyhow ? Right::Addresses : Right::Structure, $move->page, "“{$move->name}”");
        }
        foreach ($ripple->visitors->changes as $change) {
            $this->need->on(Right::Access, $change->page, "Who sees “{$change->name}”");
        }
        $claims = new ClaimRights($ripple, $this->need);
        foreach ($ripple->addresses->claims as $difference) {
            $claims->guard($difference);
        }
        if ($ripple->access->settings !== null) {
            (new GivenRights($this->rights, $this->need, $places, $this->marks))->guard($ripple->access);
        }
    }

    private function guardSite(): void
    {
        $ripple = $this->ripple;
        if ($ripple->search->settings !== null) {
            foreach ($ripple->search->settings->fields() as $field) {
                $this->need->onSite(self::SITE_SEARCH[$field] ?? Right::Search, 'What holds for the whole site');
            }
        }
        if ($ripple->addresses->rules !== null) {
            $this->need->onSite(Right::Settings, 'How addresses are written');
        }
        if ($ripple->pages->startPage !== null || $ripple->pages->startPageSignedIn !== null) {
            $this->need->onSite(Right::Settings, 'Which page visitors get at the start');
        }
        if ($ripple->menusAndLinks->menus !== []) {
            $this->need->onSite(Right::Menus, 'A menu that this changes (leave its entries as they are)');
        }
        $clashing = array_filter($ripple->toDecide->conflicts, static fn (Conflict $conflict): bool => $conflict->rule !== null);
        if ($ripple->redirects->rules !== [] || $clashing !== []) {
            $this->need->onSite(Right::Addresses, 'A redirect that this changes');
        }
        foreach ($ripple->rewrites() as $effect) {
            foreach ([Right::Write, Right::Publish] as $right) {
                $this->need->on($right, $effect->link->page, 'Links on a page that this rewrites (leave them as they are)');
            }
        }
    }

    private function guardPages(): void
    {
        $spaced = [];
        foreach ($this->ripple->pages->differences as $difference) {
            $page = $this->ripple->pages->outcome->find($difference->page);
            if ($page === null) {
                $this->need->on(RightsForPage::toRemove($difference), $difference->page, '“'.($difference->before['name'] ?? '').'”');
            } elseif ($this->isSpacedAnew($difference, $page)) {
                $spaced[(string) $page->parent][$page->id] = $page->position;
            } else {
                $this->guardPage($difference, $page);
            }
        }
        foreach ($spaced as $parent => $positions) {
            $this->guardOrder($parent === '' ? null : (string) $parent, $positions);
        }
    }

    private function guardPage(PageDifference $difference, Page $page): void
    {
        $needed = RightsForPage::toChange($difference, $page);
        foreach ($needed as $right) {
            $this->need->on($right, $page->id, "“{$page->name}”");
        }
        if ($difference->wasMade() || in_array('place', $difference->aspects(), true)) {
            // Where it is put, it needs the same rights as where it stood; a branch itself is moved from above it only.
            $isKnown = in_array(Right::Publish, $needed, true);
            foreach ([Right::Structure, ...$isKnown ? [Right::Publish] : []] as $right) {
                $this->need->inside($right, $page->parent, "The place of “{$page->name}”");
            }
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
            $this->marks->childOrder($parent),
            fn (int $position, string $id): bool => isset($positions[$id]) || $this->staysKnown($id, $parent),
            ARRAY_FILTER_USE_BOTH,
        );
        $after = [...$before, ...$positions];
        asort($after);
        if (array_keys($before) !== array_keys($after)) {
            foreach (array_keys($positions) as $id) {
                $name = $this->ripple->pages->outcome->find($id)->name ?? '';
                foreach ([Right::Structure, Right::Publish] as $right) {
                    $this->need->on($right, (string) $id, "“{$name}”");
                    $this->need->inside($right, $parent, "The place of “{$name}”");
                }
            }
        }
    }

    /** Of pages that the ripple only looked at, those that visitors know keep their place among the others. */
    private function staysKnown(string $id, ?string $parent): bool
    {
        $page = $this->ripple->pages->outcome->find($id);

        return $page === null || ($page->everLive && $page->parent === $parent && ! $page->isBinned());
    }
}

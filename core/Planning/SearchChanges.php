<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Ripple\CanonicalChange;
use Heronstem\Core\Ripple\IndexChange;
use Heronstem\Core\Ripple\SearchEffects;
use Heronstem\Core\Ripple\TitleChange;
use Heronstem\Core\Ripple\VisitorEffects;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SiteSearchDifference;
use Heronstem\Core\Search\TextPattern;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\CarriedPages;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** Compares what search engines are told of each page before and after: title, index, canonical address, sitemap. */
final class SearchChanges
{
    private int $sitemapEntries = 0;

    private bool $inheritsAnew = true;

    /** @var list<TitleChange> */
    private array $titles = [];

    /** @var list<IndexChange> */
    private array $indexing = [];

    /** @var list<CanonicalChange> */
    private array $canonicals = [];

    /** @var array<string, EffectiveSearch> what holds for pages that say nothing themselves, by parent and layout */
    private array $inheritedBefore = [];

    /** @var array<string, EffectiveSearch> */
    private array $inherited = [];

    private function __construct(private readonly Workspace $workspace, private readonly AccessLines $lines)
    {
    }

    /**
     * Cost: the pages of the outcome, and the branches below those whose name or settings are inherited; the whole site
     * where a setting of the site changes.
     */
    public static function of(Workspace $workspace, PagesAfter $outcome, VisitorEffects $visitors, AccessLines $lines): SearchEffects
    {
        $changes = new self($workspace, $lines);
        $settings = SiteSearchDifference::between($workspace->site->search, $workspace->search());
        $changes->inheritsAnew = $settings !== null || $changes->isInheritedAnew();
        $concerned = $changes->concerned($outcome, $settings?->concernsPages() ?? false) + array_fill_keys($visitors->pages(), true);
        $concerned += $changes->carriedAlong($outcome->carried(), $concerned);
        foreach (array_keys($concerned) as $id) {
            $changes->compare((string) $id, $outcome);
        }

        return new SearchEffects($changes->sitemapEntries, $changes->titles, $changes->indexing, $changes->canonicals, $settings);
    }

    /** @return array<string, true> by page */
    private function concerned(PagesAfter $outcome, bool $whole): array
    {
        if ($whole) {
            return array_fill_keys($outcome->ids(), true) + $this->workspace->pages->wholeBefore();
        }
        $concerned =
            array_fill_keys($outcome->singleIds(), true) + array_fill_keys($this->workspace->pages->namingAsCanonical($outcome->ids()), true);
        $named = [];
        // Of a page that is only carried along nothing changes that others could inherit.
        foreach ($this->workspace->pages->touched() as $id) {
            [$before, $page] = [$this->workspace->pages->before($id), $outcome->find($id)];
            if ($page === null || $before === null || $page->isBinned()) {
                continue;
            }
            if ($this->isInherited($before, $page)) {
                $concerned += array_fill_keys($this->workspace->pages->branch($id), true);
            } elseif (self::isNamedAnew($before, $page)) {
                $named[$id] = true;
            }
        }
        // What is set for a branch below may name the pages above it, whatever they set themselves.
        foreach ($this->workspace->pages->settingBranchesIn($named) as $id) {
            $page = $this->workspace->pages->find($id);
            if ($page !== null && ! $page->isBinned() && ! isset($concerned[$id]) && self::namesAbove($this->is($page)->titlePattern())) {
                $concerned += array_fill_keys($this->workspace->pages->branch($id), true);
            }
        }

        return $concerned;
    }

    /** Whether pages below may be told to be below something else. */
    private static function isNamedAnew(Page $before, Page $after): bool
    {
        return $before->name !== $after->name || $before->parent !== $after->parent;
    }

    /** Whether what is set for its branch is another: mostly both pages share it. */
    private static function setsOtherwise(?Page $before, ?Page $after): bool
    {
        return $before?->branchSearch !== $after?->branchSearch && $before?->branchSearch->toText() !== $after?->branchSearch->toText();
    }

    private static function namesAbove(TextPattern $pattern): bool
    {
        return $pattern->mentions('parent') || $pattern->mentions('section');
    }

    /** Whether the pattern of some layout names what is above a page: pages of any layout may be below any other. */
    private function isNamedByLayouts(): bool
    {
        foreach ([$this->workspace->site->search, $this->workspace->search()] as $search) {
            foreach ($search->layouts as $defaults) {
                if ($defaults->titlePattern !== null && self::namesAbove(TextPattern::stored($defaults->titlePattern))) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Of pages that are carried along plainly the same is told at another address, and what is told of one is told of all that are like it.
     *
     * @param  array<string, true>  $concerned  pages that are compared anyway
     * @return array<string, true> those that have to be compared one by one after all
     */
    private function carriedAlong(CarriedPages $carried, array $concerned): array
    {
        $others = [];
        foreach ($carried->liveAlike() as $alike) {
            $alike = array_diff_key($alike, $concerned);
            if ($alike === []) {
                continue;
            }
            $one = (string) array_key_first($alike);
            $this->workspace->pages->expect([$one]);
            $page = $this->workspace->pages->known($one);
            [$was, $is] = [$this->was($page), $this->is($page)];
            if ($was->values->toText() !== $is->values->toText() || self::dependsOnPlace($is->titlePattern())) {
                $others += array_fill_keys(array_keys($alike), true);
            } elseif ($is->index() && $is->inSitemap() && $this->isOpen($page, true)) {
                $this->sitemapEntries += count(array_filter($alike));
            }
        }

        return $others;
    }

    /** Whether anything that pages inherit, or where they stand, is another after the batch. */
    private function isInheritedAnew(): bool
    {
        foreach ($this->workspace->pages->touched() as $id) {
            [$before, $after] = [$this->workspace->pages->before($id), $this->workspace->pages->find($id)];
            if (
                $before?->parent !== $after?->parent ||
                self::setsOtherwise($before, $after) ||
                $before?->name !== $after?->name
            ) {
                return true;
            }
        }

        return false;
    }

    /** Whether pages below have something of what changed. */
    private function isInherited(Page $before, Page $after): bool
    {
        if (self::setsOtherwise($before, $after)) {
            return true;
        }
        if (! self::isNamedAnew($before, $after)) {
            return false;
        }
        $was = $this->was($before);
        $is = $this->is($after);
        if ($before->parent !== $after->parent && $was->values->toText() !== $is->values->toText()) {
            return true;
        }

        return self::namesAbove($was->titlePattern()) || self::namesAbove($is->titlePattern()) || $this->isNamedByLayouts();
    }

    private function was(Page $page): EffectiveSearch
    {
        return self::inherits($page)
            ? ($this->inheritedBefore["$page->parent $page->layout"] ??= $this->workspace->effectiveSearchBefore($page))
            : $this->workspace->effectiveSearchBefore($page);
    }

    private function is(Page $page): EffectiveSearch
    {
        return self::inherits($page)
            ? ($this->inherited["$page->parent $page->layout"] ??= $this->workspace->effectiveSearch($page))
            : $this->workspace->effectiveSearch($page);
    }

    /** Whether it says nothing itself, so that the same holds for it as for its siblings of the same layout. */
    private static function inherits(Page $page): bool
    {
        return $page->search->own->isSilent() && $page->branchSearch->isSilent();
    }

    private function compare(string $id, PagesAfter $outcome): void
    {
        $before = $this->workspace->pages->before($id);
        $after = $outcome->has($id) ? $outcome->find($id) : $this->workspace->pages->find($id);
        $was = $before === null ? null : $this->was($before);
        $is = match (true) {
            $after === null, $after->isBinned() => null,
            // Nothing of it changed, nor of what it inherits.
            $after === $before && ! $this->inheritsAnew => $was,
            default => $this->is($after),
        };
        $this->sitemapEntries += $this->entry($before, $was, false) === $this->entry($after, $is, true) ? 0 : 1;
        if ($before === null || $after === null || $was === null || $is === null || ! $before->isLive() || ! $after->isLive()) {
            return;
        }
        if ($before->kind === PageKind::Page && $after->kind === PageKind::Page) {
            $this->title($before, $after, $was, $is);
        }
        if ($this->isIndexed($before, $was, false) !== $this->isIndexed($after, $is, true)) {
            $this->indexing[] = new IndexChange($after->id, $after->name, $this->isIndexed($after, $is, true));
        }
        $this->canonical($before, $after, $outcome);
    }

    private function title(Page $before, Page $after, EffectiveSearch $was, EffectiveSearch $is): void
    {
        // Most pages of a branch that moves keep theirs: it is made anew only where something of it changed.
        if (
            $before->name === $after->name &&
            ($before->texts === $after->texts || $before->texts->equals($after->texts)) &&
            $was->values->titlePattern === $is->values->titlePattern &&
            ! self::dependsOnPlace($is->titlePattern())
        ) {
            return;
        }
        $said = $this->titleOf($before, $this->workspace->pages->ancestorsBefore($before), $was);
        $says = $this->titleOf($after, $this->workspace->pages->ancestors($after), $is);
        if ($said !== $says) {
            $this->titles[] = new TitleChange($after->id, $after->name, $said, $says);
        }
    }

    /** Whether a title may be another where the page stands elsewhere: some layouts have their fields from above. */
    private static function dependsOnPlace(TextPattern $pattern): bool
    {
        return self::namesAbove($pattern) || $pattern->mentionsFields();
    }

    /** @param  list<Page>  $above  nearest first */
    private function titleOf(Page $page, array $above, EffectiveSearch $settings): string
    {
        return SearchTitle::of(
            PageFacts::inTree($page, $above, $settings, layout: fn (): Layout => $this->workspace->site->layouts->at($page->layout, $above)),
            $this->workspace->site->facts,
        )->text;
    }

    private function isIndexed(Page $page, EffectiveSearch $search, bool $isAfter): bool
    {
        return $page->listed && $search->index() && $this->isOpen($page, $isAfter);
    }

    private function isOpen(Page $page, bool $isAfter): bool
    {
        return $isAfter ? $this->lines->isOpen($page) : $this->lines->wasOpen($page);
    }

    private function canonical(Page $before, Page $after, PagesAfter $outcome): void
    {
        $named = fn (Page $page, bool $isAfter): ?string => match ($page->search->canonical->kind) {
            CanonicalKind::Itself => $page->address->path,
            CanonicalKind::None => null,
            CanonicalKind::Url => $page->search->canonical->value,
            CanonicalKind::Page => $this->addressOf($page->search->canonical->value, $isAfter, $outcome),
        };
        $isItself = $before->search->canonical->kind === CanonicalKind::Itself && $after->search->canonical->kind === CanonicalKind::Itself;
        [$said, $says] = [$named($before, false), $named($after, true)];
        if (! $isItself && $said !== $says) {
            $this->canonicals[] = new CanonicalChange($after->id, $after->name, $said, $says);
        }
    }

    private function addressOf(string $id, bool $isAfter, PagesAfter $outcome): ?string
    {
        $page = match (true) {
            ! $isAfter => $this->workspace->pages->before($id),
            $outcome->has($id) => $outcome->find($id),
            default => $this->workspace->pages->find($id),
        };

        return $page?->isLive() === true ? $page->address->path : null;
    }

    private function entry(?Page $page, ?EffectiveSearch $search, bool $isAfter): ?string
    {
        $own = $page !== null && in_array($page->kind, [PageKind::Page, PageKind::Download], true);
        $counts = $own && $page->search->canonical->kind === CanonicalKind::Itself;

        $isWanted = $counts && $search !== null && $page->isShown() && $search->index() && $search->inSitemap();

        return $isWanted && $this->isOpen($page, $isAfter) ? $page->address->path : null;
    }
}

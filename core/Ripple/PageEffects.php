<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Series;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;
use Heronstem\Core\Workspace\PagesAfter;

/** What a batch does to pages themselves. */
final readonly class PageEffects
{
    /** @var list<string> pages that visitors get from now on */
    public array $goLive;

    /** @var list<string> pages that visitors no longer get, those in the bin included */
    public array $goOffline;

    /** @var list<string> pages put in the bin, those that go along included */
    public array $binned;

    /**
     * @param  Series<PageDifference>  $differences  the exact inverse's material
     * @param  PagesAfter  $outcome  every page that changes or moves along, as it will be
     * @param  array<string, string>  $copies  pages made as copies, each with what it is a copy of
     */
    public function __construct(
        public Series $differences,
        public PagesAfter $outcome,
        public array $copies,
        public ?StartPageDifference $startPage,
        public ?StartPageDifference $startPageSignedIn,
    ) {
        $goLive = $goOffline = $binned = [];
        foreach ($differences as $each) {
            $each->goesLive() && ($goLive[] = $each->page);
            $each->goesOffline() && ($goOffline[] = $each->page);
            $each->goesIntoBin() && ($binned[] = $each->page);
        }
        [$this->goLive, $this->goOffline, $this->binned] = [$goLive, $goOffline, $binned];
    }

    /**
     * Pages whose difference is such.
     *
     * @param  \Closure(PageDifference): bool  $holds
     * @return list<string>
     */
    public function where(\Closure $holds): array
    {
        $pages = [];
        foreach ($this->differences as $each) {
            if ($holds($each)) {
                $pages[] = $each->page;
            }
        }

        return $pages;
    }

    /**
     * The same, without those right below another of them: what concerns whole branches is done from there.
     *
     * @param  \Closure(PageDifference): bool  $holds
     * @return list<string>
     */
    public function topsWhere(\Closure $holds): array
    {
        $pages = $this->where($holds);
        $known = array_fill_keys($pages, true);

        return array_values(array_filter($pages, fn (string $page): bool => ! isset($known[$this->outcome->find($page)->parent ?? ''])));
    }

    /** @return list<string> pages that visitors no longer get, but for those put in the bin */
    public function goOfflineInTree(): array
    {
        $binned = array_fill_keys($this->binned, true);

        return array_values(array_filter($this->goOffline, static fn (string $page): bool => ! isset($binned[$page])));
    }

    /** @return list<string> pages of whose own something changes */
    public function changed(): array
    {
        return $this->where(static fn (): bool => true);
    }

    public function changeStartPages(): bool
    {
        return $this->startPage !== null || $this->startPageSignedIn !== null;
    }
}

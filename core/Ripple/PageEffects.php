<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;

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
     * @param  list<PageDifference>  $differences  the exact inverse's material
     * @param  array<string, Page|null>  $outcome  every page that changes or moves along, as it will be, by identity
     * @param  array<string, string>  $copies  pages made as copies, each with what it is a copy of
     */
    public function __construct(
        public array $differences,
        public array $outcome,
        public array $copies,
        public ?StartPageDifference $startPage,
        public ?StartPageDifference $startPageSignedIn,
    ) {
        $of = static fn (\Closure $which): array => array_values(
            array_map(static fn (PageDifference $each): string => $each->page, array_filter($differences, $which)),
        );
        $this->goLive = $of(static fn (PageDifference $each): bool => $each->goesLive());
        $this->goOffline = $of(static fn (PageDifference $each): bool => $each->goesOffline());
        $this->binned = $of(static fn (PageDifference $each): bool => $each->goesIntoBin());
    }

    public function changeStartPages(): bool
    {
        return $this->startPage !== null || $this->startPageSignedIn !== null;
    }
}

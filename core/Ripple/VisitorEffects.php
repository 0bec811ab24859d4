<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Menu\Closed;
use Heronstem\Core\Menu\Menu;

/** What a batch does to who sees pages, and what that does to menus for those who do not. */
final readonly class VisitorEffects
{
    /**
     * @param  list<VisitorChange>  $changes
     * @param  list<array{menu: Menu, page: string, label: string, how: Closed, closes: bool}>  $menus  entries for pages that are closed or opened
     */
    public function __construct(public array $changes = [], public array $menus = [])
    {
    }

    /** @return list<string> */
    public function pages(): array
    {
        return array_column($this->changes, 'page');
    }

    /** @return list<string> pages that were open to everyone */
    public function closed(): array
    {
        return array_column(array_filter($this->changes, static fn (VisitorChange $change): bool => $change->closes()), 'page');
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\PageEffects;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;
use Heronstem\Core\Workspace\Workspace;

/** What pages and start pages are from now on, and were. */
final class PageChanges
{
    /** @param  array<string, Page|null>  $outcome */
    public static function of(Workspace $workspace, array $outcome): PageEffects
    {
        $differences = array_map(
            static fn (string $id): ?PageDifference => PageDifference::between($workspace->pages->before($id), $outcome[$id] ?? null),
            $workspace->pages->touched(),
        );

        return new PageEffects(
            array_values(array_filter($differences)),
            $outcome,
            $workspace->copies(),
            StartPageDifference::between($workspace->site->startPage, $workspace->startPage()),
            StartPageDifference::between($workspace->site->startPageSignedIn, $workspace->startPageSignedIn()),
        );
    }
}

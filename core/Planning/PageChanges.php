<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\PageEffects;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\PackedDifferences;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** What pages and start pages are from now on, and were. */
final class PageChanges
{
    public static function of(Workspace $workspace, PagesAfter $outcome): PageEffects
    {
        return new PageEffects(
            self::differences($workspace, $outcome),
            $outcome,
            $workspace->copies(),
            StartPageDifference::between($workspace->site->startPage, $workspace->startPage()),
            StartPageDifference::between($workspace->site->startPageSignedIn, $workspace->startPageSignedIn()),
        );
    }

    /** @return Series<PageDifference> */
    private static function differences(Workspace $workspace, PagesAfter $outcome): Series
    {
        $between = static fn (string $id): ?PageDifference => PageDifference::between($workspace->pages->before($id), $outcome->find($id));
        $changed = new PackedDifferences();
        foreach ($workspace->pages->touched() as $id) {
            $difference = $between($id);
            if ($difference !== null) {
                // All the fields of a page that comes or goes are read from the page.
                $difference->wasMade() || $difference->wasRemoved() ? $changed->putAside($id) : $changed->put($difference);
            }
        }

        return Series::from(static function () use ($changed, $between): \Generator {
            foreach ($changed->ids() as $id) {
                $difference = $changed->find($id) ?? $between($id);
                if ($difference !== null) {
                    yield $difference;
                }
            }
        }, count($changed));
    }
}

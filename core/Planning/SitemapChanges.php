<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\SearchEffects;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Workspace;

/** Counts the entries of the sitemap that come, go or change. */
final class SitemapChanges
{
    /** @param  array<string, Page|null>  $outcome */
    public static function of(Workspace $workspace, array $outcome): SearchEffects
    {
        $entries = 0;
        foreach ($outcome as $id => $page) {
            $entries += self::entry($workspace->pages->before((string) $id)) === self::entry($page) ? 0 : 1;
        }

        return new SearchEffects($entries);
    }

    private static function entry(?Page $page): ?string
    {
        $own = $page !== null && in_array($page->kind, [PageKind::Page, PageKind::Download], true);

        return $own && $page->isShown() && $page->indexed ? $page->address->path : null;
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Workspace;

/** What visitors and the sitemap get more, less or elsewhere after a batch. */
final readonly class VisibilityChanges
{
    /** @var list<string> */
    public array $live;

    /** @var list<string> the bin included */
    public array $offline;

    /** @var list<string> put in the bin */
    public array $binned;

    public int $sitemapEntries;

    /** @param  array<string, Page|null>  $outcome */
    public function __construct(array $outcome, Workspace $workspace)
    {
        $live = $offline = $binned = [];
        $entries = 0;
        foreach ($outcome as $id => $page) {
            $before = $workspace->before((string) $id);
            $was = $before !== null && $before->isLive();
            $is = $page !== null && $page->isLive();
            if ($is && ! $was) {
                $live[] = (string) $id;
            } elseif ($was && ! $is) {
                $offline[] = (string) $id;
            }
            if ($page?->isBinned() === true && $before?->isBinned() === false) {
                $binned[] = (string) $id;
            }
            $entries += self::entry($before) === self::entry($page) ? 0 : 1;
        }
        $this->live = $live;
        $this->offline = $offline;
        $this->binned = $binned;
        $this->sitemapEntries = $entries;
    }

    private static function entry(?Page $page): ?string
    {
        $own = $page !== null && in_array($page->kind, [PageKind::Page, PageKind::Download], true);

        return $own && $page->isShown() && $page->indexed ? $page->address->path : null;
    }
}

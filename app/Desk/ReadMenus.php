<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\Places;
use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use App\Store\MenusOfPage;
use App\Store\StoredMenus;
use App\Store\Unreached;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuChecks;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\MenuFinding;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Illuminate\Database\Connection;

/** The menus of a site as the editor shows them: arranged so far, resolved for somebody at a moment, with what is wrong. */
final readonly class ReadMenus
{
    public function __construct(
        private Connection $db,
        private SiteMenus $menus,
        private MenusOfPage $ofPage,
        private Unreached $unreached,
        private Resolvers $resolvers,
        private SeenBy $seen,
    ) {
    }

    /** @return array<string, Menu> by identity */
    public function all(Site $site): array
    {
        return (new StoredMenus($this->db, $site))->all();
    }

    /** @return array{visitors: array{ulid: string, name: string}|null, signedIn: array{ulid: string, name: string}|null} */
    public function startPages(Site $site): array
    {
        $page = static function (?int $id): ?array {
            $found =
                $id === null
                    ? null
                    : Page::query()
                        ->whereKey($id)
                        ->first(['ulid', 'name']);

            return $found === null ? null : ['ulid' => $found->ulid, 'name' => $found->name];
        };

        return ['visitors' => $page($site->start_page_id), 'signedIn' => $page($site->start_page_signed_in_id)];
    }

    /** @return list<ResolvedEntry> every entry, those that the viewer does not see with the reason */
    public function whole(Menu $menu, Site $site, Viewer $viewer, ?Moment $at): array
    {
        return $this->seen->during(
            SeenBy::guest($viewer),
            $site,
            fn (): array => $this->menus->resolver($site, [$menu->id => $menu], $viewer, $at)->whole($menu),
        );
    }

    /** @return list<MenuFinding> */
    public function findings(Menu $menu, Site $site, ?Moment $at): array
    {
        $place = $menu->place === null ? null : Places::all()[$menu->place] ?? null;

        return MenuChecks::of($this->whole($menu, $site, Viewer::anybody(), $at), $place, $this->resolvers->for($site));
    }

    /** @return array<string, string> names of the pages and files it leads to, by identity */
    public function names(Menu $menu, Site $site): array
    {
        return Page::query()->where('site_id', $site->id)->whereIn('ulid', $menu->pagesNamed())->pluck('name', 'ulid')->all() +
            File::query()->where('site_id', $site->id)->whereIn('ulid', $menu->filesNamed())->pluck('name', 'ulid')->all();
    }

    /** The menu as visitors see it, as an outline (OPML 2.0). */
    public function opml(Menu $menu, Site $site): string
    {
        return MenuFile::opml($menu->name, $this->menus->resolver($site, [$menu->id => $menu], Viewer::anybody())->shown($menu), $site->origin);
    }

    /** The menu whole, to be read again. */
    public function json(Menu $menu, Site $site): string
    {
        return MenuFile::json(
            $menu,
            Page::query()->where('site_id', $site->id)->whereIn('ulid', $menu->pagesNamed())->pluck('address', 'ulid')->all(),
        );
    }

    /** @return list<array<string, mixed>> every menu, with how it shows the page */
    public function ofPage(Page $page, Site $site): array
    {
        return $this->ofPage->of($page, $site);
    }

    /** @return array<string, mixed> pages that no menu reaches */
    public function unreached(Site $site): array
    {
        return $this->unreached->of($site, $this->menus->pages($site));
    }
}

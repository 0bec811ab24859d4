<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\CachedMenus;
use App\Desk\SiteMenus;
use App\Models\Site;
use App\Store\StoredMenus;
use Bench\Measure;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\PlaceMenu;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Tree\PageName;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

// The menus of a page on a site of 100,000 pages, with a branch of two levels from the top and one below a page:
// worked out anew against plain SQL for the same rows, and from the cache; and how many menus a change to one page
// makes old.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$apply = $app->make(ApplyChanges::class);
$menus = $app->make(SiteMenus::class);
$cached = $app->make(CachedMenus::class);
$root = DB::selectOne(
    "select p.ulid, p.id from pages p where p.site_id = ? and p.state = 'live' and (select count(*) from pages c where c.parent_id = p.id) between 20 and 60 limit 1",
    [$site->id],
);

$known = array_column((new StoredMenus(DB::connection(), $site))->all(), 'id', 'name');
if (! isset($known['Bench footer'])) {
    $id = (string) Str::ulid();
    $entry = new Entry((string) Str::ulid(), null, 0, EntryKind::Branch, Target::page($root->ulid), contents: new BranchContents(1));
    $apply->apply(
        $site,
        null,
        Batch::of(new MakeMenu($id, PageName::of('Bench footer'), MenuKind::Menu), new PlaceMenu($id, 'footer'), new ArrangeMenu($id, [$entry])),
    );
}

$plain = static function () use ($site, $root): void {
    DB::select('select m.ulid, m.name, m.place, e.* from menus m join menu_entries e on e.menu_id = m.id where m.site_id = ?', [$site->id]);
    DB::select(
        'with top as (select p.* from pages p where p.site_id = ? and p.parent_id is null and p.listed and is_visible(p.state, p.from_at, p.until_at))
        select t.ulid, t.parent_id, t.position, t.name, t.address, t.kind, t.leads_to, t.summary from top t
        union all
        select p.ulid, p.parent_id, p.position, p.name, p.address, p.kind, p.leads_to, p.summary from top t join pages p on p.parent_id = t.id
            where p.listed and is_visible(p.state, p.from_at, p.until_at) order by parent_id nulls first, position',
        [$site->id],
    );
    DB::select(
        'select p.ulid, p.parent_id, p.position, p.name, p.address, p.kind, p.leads_to, p.summary from pages p
            where p.parent_id = ? and p.listed and is_visible(p.state, p.from_at, p.until_at) order by p.position',
        [$root->id],
    );
};
Measure::compare('menu, worked out anew', static fn () => $menus->shown($site, Viewer::visitor()), $plain, 3);

$cached->shown($site, Viewer::visitor());
Measure::compare('menu, from the cache', static fn () => $cached->shown($site, Viewer::visitor()), $plain, 20);

$ferries = Site::query()->where('key', 'ferries')->firstOrFail();
$cached->shown($ferries, Viewer::visitor());
Measure::compare(
    'menus of the demo, from the cache',
    static fn () => $cached->shown($ferries, Viewer::visitor()),
    static fn () => $menus->shown($ferries, Viewer::visitor()),
    50,
);

foreach (
    ['a page that no menu shows' => 'nlevel(path) = 4', 'a page of the bar' => 'nlevel(path) = 1 and id <> '.(int) $site->start_page_id] as $what => $where
) {
    $page = DB::selectOne("select ulid, name from pages where site_id = ? and state = 'live' and $where limit 1", [$site->id]);
    $entry = null;
    $planned = $app->make(\App\Desk\Planners::class)->for($site)->plan(Batch::of(new Rename($page->ulid, PageName::of($page->name.' renamed'))));
    printf(
        "menu, made old by a change to %s: %d of %d\n",
        $what,
        count($planned->menusTouched),
        count((new StoredMenus(DB::connection(), $site))->all()),
    );
}

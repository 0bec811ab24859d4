<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Models\Site;
use App\Store\PageCache;
use Bench\Branches;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Tree\PageName;
use Illuminate\Support\Facades\DB;

// Forgetting what is made of a page that was renamed, on a site of 100,000 pages all of which a node has kept: what it takes to find out
// which they are and to note that they are gone, against reading as many rows by their key.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Branches.inc';
DB::disableQueryLog();
$pages = (int) (getenv('ROWS') ?: 100_000);
$site = Branches::of($pages);
$cache = $app->make(PageCache::class);
DB::delete("delete from cache_nodes where name = 'bench'");
DB::insert("insert into cached_pages (node, key, site_id, made_of) select 'bench', 'http://bench' || p.address, p.site_id, array['p' || p.ulid, 'o' || p.id, 'o' || coalesce(p.parent_id, p.id)] from pages p where p.site_id = ?", [$site->id]);
DB::statement('analyze cached_pages');
DB::insert("insert into cache_nodes (name, seen) values ('bench', seen_so_far())");
$ours = $base = [];
$found = 0;
for ($round = 0; $round < 7; $round++) {
    $page = DB::selectOne('select p.ulid, p.name from pages p where p.site_id = ? and exists (select 1 from pages c where c.parent_id = p.id) order by p.id desc offset ? limit 1', [$site->id, 50 * $round]);
    $app->make(ApplyChanges::class)->apply(Site::query()->findOrFail($site->id), null, Batch::of(new Rename($page->ulid, PageName::of("$page->name again $round"))));
    $begin = hrtime(true);
    $gone = $cache->forget('bench');
    $ours[] = (hrtime(true) - $begin) / 1e6;
    $found += count($gone);
    $begin = hrtime(true);
    foreach ($gone as $key) {
        DB::select('select key from cached_pages where node = ? and key = ?', ['bench', $key]);
    }
    $base[] = (hrtime(true) - $begin) / 1e6;
}
DB::delete("delete from cached_pages where node = 'bench'");
sort($ours);
sort($base);
printf("forget after a rename among %s pages: %.1f ms (%.1f to %.1f; aim: at most 50 ms), baseline %.1f ms, pages forgotten each time %.1f\n", number_format($pages), $ours[3], $ours[0], $ours[6], $base[3], $found / 7);

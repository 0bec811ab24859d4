<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\Planners;
use App\Desk\ReadOutline;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Workspace\Place;
use Illuminate\Support\Facades\DB;

// A site of a million pages: made, opened, asked for addresses, and a branch of it moved; against one of ten thousand in the same database.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Branches.inc';
DB::disableQueryLog();
$make = static function (string $key, int $tops): Site {
    DB::delete('delete from ledger where site_id in (select id from sites where key = ?)', [$key]);
    DB::delete('delete from sites where key = ?', [$key]);
    $site = Site::query()->create(['key' => $key, 'name' => $key, 'origin' => "http://$key.skerrivane.example"])->refresh();
    // Tops of a hundred sections each, of a hundred pages each; one statement a level.
    $levels = ['null::bigint, null::ltree, null::text', 'id, path, address', 'id, path, address'];
    $above = [];
    foreach ($levels as $level => $_) {
        $from = (int) DB::scalar('select coalesce(max(id), 0) from pages');
        $parents = $level === 0 ? '(select null::bigint as id, null::ltree as path, null::text as address)' : "(select id, path, address from pages where site_id = {$site->id} and nlevel(path) = $level)";
        $count = $level === 0 ? $tops : 100;
        DB::insert(
            "insert into pages (id, ulid, site_id, parent_id, path, position, name, slug, address, state, ever_live, live_since, slug_by_hand)
            select $from + n, lpad(($from + n)::text, 26, '0'), {$site->id}, parent, coalesce(above, ''::ltree) || ($from + n)::text, 65536 * n, 'Page ' || n, 'page-$level-' || n, coalesce(address, '') || '/page-$level-' || n, 'live', true, now(), true
            from (select p.id as parent, p.path as above, p.address, row_number() over () as n from $parents p cross join generate_series(1, $count)) x",
        );
    }
    DB::statement("select setval(pg_get_serial_sequence('pages', 'id'), (select max(id) from pages))");
    DB::insert("insert into ledger (site_id, key, address, kind, page_id, ever_live) select site_id, address, address, 'page', id, true from pages where site_id = ?", [$site->id]);
    DB::statement('vacuum analyze pages');
    DB::statement('vacuum analyze ledger');

    return $site;
};
$median = static function (Closure $work, int $rounds): float {
    $times = [];
    for ($n = 0; $n < $rounds; $n++) {
        $begin = hrtime(true);
        $work($n);
        $times[] = (hrtime(true) - $begin) / 1e6;
    }
    sort($times);

    return $times[intdiv($rounds, 2)];
};
$tops = (int) (getenv('ROWS') ?: 1_000_000) / 10_000;
$figures = [];
foreach (['bench-small' => 1, 'bench-million' => $tops] as $key => $of) {
    $began = microtime(true);
    $site = $make($key, (int) $of);
    $pages = (int) DB::scalar('select count(*) from pages where site_id = ?', [$site->id]);
    printf("%s: %s pages made in %.0f s\n", $key, number_format($pages), microtime(true) - $began);
    $addresses = DB::table('pages')->where('site_id', $site->id)->inRandomOrder()->limit(200)->pluck('address')->all();
    $top = DB::selectOne('select ulid from pages where site_id = ? and nlevel(path) = 2 order by id desc limit 1', [$site->id]);
    $to = DB::selectOne('select ulid from pages where site_id = ? and nlevel(path) = 2 order by id limit 1', [$site->id]);
    $figures[$key] = [
        'answering an address' => $median(static fn (int $n): mixed => DB::select('select * from find_address(?, ?)', [$site->id, $addresses[$n]]), 200),
        'opening the outline' => $median(static fn (): mixed => $app->make(ReadOutline::class)->opened($site, [], null), 5),
        'ripple of a branch of 101 pages' => $median(static fn (): mixed => $app->make(Planners::class)->for($site)->plan(Batch::of(new Move($top->ulid, Place::lastIn($to->ulid)))), 5),
        'moving it' => $median(static fn (): mixed => $app->make(ApplyChanges::class)->apply($site, null, Batch::of(new Move($top->ulid, Place::lastIn($to->ulid)))), 1),
    ];
}
foreach ($figures['bench-small'] as $what => $small) {
    printf("million %-32s %8.2f ms, on ten thousand pages %8.2f ms, ratio %.2f\n", $what, $figures['bench-million'][$what], $small, $figures['bench-million'][$what] / $small);
}
printf("pages and ledger on the disk: %s\n", DB::scalar("select pg_size_pretty(pg_total_relation_size('pages') + pg_total_relation_size('ledger'))"));

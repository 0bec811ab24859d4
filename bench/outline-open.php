<?php

declare(strict_types=1);

use App\Models\Site;
use App\Store\OutlineRows;
use Bench\Editor;
use Bench\Measure;
use Illuminate\Support\Facades\DB;
use Tests\Browser\Chrome;

// Opening the outline of 100,000 pages: the rows and counts of the first answer against the plain SQL for the same
// rows and counts; then what a browser makes of it.
require __DIR__.'/boot.inc';
require __DIR__.'/Editor.inc';
require __DIR__.'/Measure.inc';

DB::statement('vacuum analyze pages');
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$outline = new OutlineRows(DB::connection());
// The branch of 5,000 children is open, and the way to it.
$open = array_column(DB::select("select ulid from pages where site_id = ? and slug ~ '-(1|31)$' order by nlevel(path)", [$site->id]), 'ulid');
$pdo = DB::getPdo();
$plain = static function (string $sql, array $with) use ($pdo): array {
    $statement = $pdo->prepare($sql);
    $statement->execute($with);

    return $statement->fetchAll(PDO::FETCH_ASSOC);
};
$columns =
    'p.id, p.ulid, p.parent_id, p.name, p.slug, p.address, p.state, p.listed, p.ever_live, p.clicks, p.links_in, p.updated_at, (select count(*)
        from pages c where c.parent_id = p.id) as children';

Measure::compare(
    'outline-open 100,000 pages',
    static function () use ($outline, $site, $open): void {
        json_encode([$outline->counts($site), $outline->children($site, null), $outline->branches($site, $open)]);
    },
    static function () use ($plain, $site, $open, $columns): void {
        json_encode([
            $plain(
                "select count(*), count(*) filter (where state = 'live'), count(*) filter (where state = 'draft'), count(*) filter (where state = 'offline') from pages where site_id = ?",
                [$site->id],
            ),
            $plain("select $columns from pages p where p.site_id = ? and p.parent_id is null order by p.position limit 100", [$site->id]),
            ...array_map(
                static fn (string $id): array => $plain(
                    "select $columns from pages p where p.parent_id = (select id from pages where ulid = ?) order by p.position limit 100",
                    [$id],
                ),
                $open,
            ),
        ]);
    },
    10,
);

$chrome = new Chrome((string) getenv('DRIVER_URL'));
try {
    $editor = Editor::signIn($chrome);
    $times = [];
    for ($i = 0; $i < 7; $i++) {
        $chrome->open("$editor/s/large-100000/outline?open=".implode(',', $open));
        $times[] = $chrome->until(static function () use ($chrome): ?float {
            // The first frame in which rows of the tree stand and can be worked with.
            return $chrome->driver->executeScript("return document.querySelector('[role=treegrid] [role=row][id]') ? performance.now() : null");
        }, 'the outline');
    }
    sort($times);
    $bytes = $chrome->driver->executeScript(
        "return performance.getEntriesByType('resource').find(e => e.name.includes('/outline?'))?.decodedBodySize ?? 0",
    );
    printf(
        "%-28s usable after %d ms (median of 7, spread %d–%d)   first payload %.1f KB\n",
        'outline-open in Chromium',
        $times[3],
        $times[0],
        $times[6],
        $bytes / 1024,
    );
} finally {
    $chrome->quit();
}

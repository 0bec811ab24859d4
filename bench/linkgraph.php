<?php

declare(strict_types=1);

use App\Desk\DrawLinks;
use App\Jobs\RefreshReach;
use App\Models\Site;
use App\Store\LinkEdges;
use Heronstem\Core\Linking\ClickDistance;
use Heronstem\Core\Linking\PageRank;
use Illuminate\Support\Facades\DB;

// Clicks, inbound links and weights of 100,000 pages with a million links, against reading the links; and the drawing of the nearest two thousand.
$app = require __DIR__.'/boot.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
if ($site->start_page_id === null) {
    $site->update(['start_page_id' => DB::scalar("select id from pages where site_id = ? and state = 'live' and parent_id is null order by position limit 1", [$site->id])]);
}
$there = (int) DB::scalar('select count(*) from links l join pages p on p.id = l.from_page_id where p.site_id = ?', [$site->id]);
if ($there < 1_000_000) {
    DB::statement('select setseed(0.5)');
    DB::insert(
        "with live as materialized (select array_agg(id order by id) as ids from pages where site_id = ? and state = 'live')
        insert into links (from_page_id, to_page_id) select f, t from (
            select ids[1 + floor(random() * array_length(ids, 1))::int] as f, ids[1 + floor(random() * random() * array_length(ids, 1))::int] as t
            from live, generate_series(1, ?) g
        ) l where f <> t on conflict do nothing",
        [$site->id, 1_010_000 - $there],
    );
    DB::statement('analyze links');
}
$timed = static function (callable $work): array {
    memory_reset_peak_usage();
    $start = hrtime(true);
    $result = $work();

    return [$result, (hrtime(true) - $start) / 1e9, memory_get_peak_usage() / 1048576];
};
$edges = $app->make(LinkEdges::class);
$pages = $edges->pages($site);
[$leadsTo, $read, $held] = $timed(static fn (): array => $edges->among($site, $pages));
printf("%-28s %9.2f s, %d MB   %d pages, %d links\n", 'reading', $read, $held, count($pages), array_sum(array_map(count(...), $leadsTo)));
[, $took, $held] = $timed(static fn (): array => ClickDistance::clicks((int) $site->start_page_id, [], $leadsTo));
printf("%-28s ours %9.2f s   baseline %9.2f s   ratio %.1f   %d MB\n", 'clicks', $took, $read, $took / $read, $held);
$numbers = array_flip(array_column($pages, 'id'));
$numbered = [];
foreach ($leadsTo as $from => $targets) {
    if (isset($numbers[$from])) {
        $numbered[$numbers[$from]] = array_values(array_filter(array_map(static fn (int $to): ?int => $numbers[$to] ?? null, $targets), is_int(...)));
    }
}
unset($leadsTo);
[, $took, $held] = $timed(static fn (): array => PageRank::of(count($pages), $numbered));
printf("%-28s ours %9.2f s   baseline %9.2f s   ratio %.1f   %d MB\n", 'weights', $took, $read, $took / $read, $held);
unset($numbered);
[, $took, $held] = $timed(static fn () => $app->call([new RefreshReach($site->id), 'workOut']));
printf("%-28s ours %9.2f s   baseline %9.2f s   ratio %.1f   %d MB\n", 'all of it, written', $took, $read, $took / $read, $held);
[$drawn, $took, $held] = $timed(static fn (): array => $app->make(DrawLinks::class)->of($site));
printf("%-28s ours %9.2f s   %d pages, %d links, %d MB\n", 'drawing', $took, count($drawn['pages']), count($drawn['links']), $held);

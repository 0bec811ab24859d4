<?php

declare(strict_types=1);

use App\Models\Site;
use App\Store\GoToHits;
use Bench\Measure;
use Illuminate\Support\Facades\DB;

// The go-to field over 100,000 pages, for each kind of thing that is typed, against the least that could find any of it: the bare look
// through names and addresses for the same letters.
require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';

DB::statement('vacuum analyze pages');
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$hits = new GoToHits(DB::connection());
$names = array_column(DB::select('select name from pages where site_id = ? and id % 9973 = 0 limit 3', [$site->id]), 'name');
[$first, $second] = explode(' ', (string) $names[0]) + [1 => 'page'];
$slip = substr($first, 0, 2).$first[3].$first[2].substr($first, 4);
$typed = [
    'a whole name' => $names[0],
    'two words, other way round' => "$second $first",
    'its first two letters' => substr($first, 0, 2),
    'one letter' => $first[0],
    'a slip of spelling' => "$slip $second",
    'a sentence of ten words' => 'where do the boats leave for the islands in winter',
    'what nothing has' => 'zzyzx qwfp',
];
$bare = static fn (string $text): array => DB::select(
    "select id, ulid, name, address, state from pages where site_id = ? and (name || ' ' || address) ilike ? limit 12",
    [$site->id, "%$text%"],
);
foreach ($typed as $what => $text) {
    printf("%-28s “%s”, %d found\n", $what, $text, count($hits->find($site, $text, 12)));
    Measure::compare('… / bare', static fn () => $hits->find($site, $text, 12), static fn () => $bare($text), 3);
}

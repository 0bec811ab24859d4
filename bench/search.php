<?php

declare(strict_types=1);

use App\Desk\SearchSite;
use App\Models\Site;
use App\Store\SearchIndex;
use Bench\Measure;
use Heronstem\Core\Search\SearchText;
use Heronstem\Core\Search\SearchWords;
use Illuminate\Support\Facades\DB;

// The site's own search over 100,000 pages of 120 words each, against the bare full-text query: ranked, ten rows, nothing asked of the pages.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$pages = DB::select("select id, name from pages where site_id = ? and state = 'live' order by id", [$site->id]);
if ((int) DB::scalar("select count(*) from search_pages where site_id = ? and body <> ''", [$site->id]) < count($pages)) {
    // Words as in a language: few that are everywhere, many that are rare.
    mt_srand(20261128);
    $letters = ['a', 'e', 'i', 'o', 'u', 'ar', 'en', 'is', 'ol', 'um'];
    $word = static function (int $n) use ($letters): string {
        for ($text = ''; $n > 0 || $text === ''; $n = intdiv($n, 50)) {
            $text .= 'bcdfghklmnprstvwz'[$n % 17].$letters[$n % 10];
        }

        return $text;
    };
    $words = array_map($word, range(1, 30_000));
    $pick = static fn (): string => $words[(int) (30_000 ** (mt_rand() / mt_getrandmax())) - 1];
    $index = $app->make(SearchIndex::class);
    foreach (array_chunk($pages, 500) as $piece) {
        $texts = [];
        foreach ($piece as $page) {
            $texts[$page->id] = new SearchText($page->name, $pick().' '.$pick(), '', implode(' ', array_map($pick, range(1, 120))));
        }
        DB::transaction(fn () => $index->write($site, $texts));
    }
    DB::statement('vacuum analyze search_pages');
    DB::statement('vacuum analyze search_words');
}
$search = $app->make(SearchSite::class);
$bare = static fn (string $words) => DB::select(
    "select page_id, ts_rank_cd('{0.1, 0.3, 0.5, 1.0}', vector, q, 1) as rank from search_pages, websearch_to_tsquery('heronstem_english', ?) q
    where site_id = ? and vector @@ q order by rank desc limit 10",
    [$words, $site->id],
);
$typed = ['a frequent word' => ['harbour', 'harbour'], 'two words' => ['harbour ferry', 'harbour ferry'], 'a misspelt word' => ['harbuor', 'harbour']];
$site->language = 'en-GB';
foreach ($typed as $name => [$asked, $meant]) {
    printf("%-28s %d pages\n", $name, $search->for($site, SearchWords::of($asked), 1)->total);
    Measure::compare($name, static fn () => $search->for($site, SearchWords::of($asked), 1), static fn () => $bare($meant), 1);
}

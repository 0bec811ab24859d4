<?php

declare(strict_types=1);

use App\Desk\SearchSite;
use App\Models\Site;
use App\Store\SearchIndex;
use Bench\Measure;
use Heronstem\Core\Search\SearchText;
use Heronstem\Core\Search\SearchWords;
use Illuminate\Support\Facades\DB;

// The site's own search over 100,000 pages of 120 words each, against the bare full-text query: ranked, ten rows, nothing asked of the
// pages; with what was found marked in its context, as ours has it, and without.
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
$query = "select page_id, body, q, ts_rank_cd('{0.1, 0.3, 0.5, 1.0}', vector, q, 1) as rank from search_pages, websearch_to_tsquery('heronstem_english', ?) q
    where site_id = ? and vector @@ q order by rank desc limit 10";
$bare = static fn (string $words) => DB::select($query, [$words, $site->id]);
$marked = static fn (string $words) => DB::select("select page_id, ts_headline('heronstem_english', body, q, 'MaxFragments=2, MaxWords=22, MinWords=10') from ($query) f", [$words, $site->id]);
$typed = ['a frequent word' => ['harbour', 'harbour'], 'two words' => ['harbour ferry', 'harbour ferry'], 'a misspelt word' => ['harbuor', 'harbour']];
$site->language = 'en-GB';
foreach ($typed as $name => [$asked, $meant]) {
    printf("%-28s %d pages\n", $name, $search->for($site, SearchWords::of($asked), 1)->total);
    $ours = static fn () => $search->for($site, SearchWords::of($asked), 1);
    Measure::compare('… / with marked context', $ours, static fn () => $marked($meant), 1);
    Measure::compare('… / without', $ours, static fn () => $bare($meant), 1);
}

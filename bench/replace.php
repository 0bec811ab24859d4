<?php

declare(strict_types=1);

use App\Desk\Demo\GenerateLargeSite;
use App\Desk\Replace\ReplaceTexts;
use App\Models\Site;
use Bench\Measure;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\ReplaceText;
use Illuminate\Support\Facades\DB;

// A regular expression looked for in the content of 20,000 pages of 200 words each, with every place in its context, against
// regexp_matches in PostgreSQL over the same texts. And 2,000 files listed with how often each is used.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-20000')->first() ?? $app->make(GenerateLargeSite::class)->generate('large-20000', 20_000);
if (DB::table('page_contents')->join('pages', 'pages.id', '=', 'page_contents.page_id')->where('site_id', $site->id)->count() === 0) {
    mt_srand(20261128);
    $words = ['harbour', 'boat', 'sails', 'at', '6.40', 'the', 'and', 'Curlew', 'winter', 'fares', 'of', 'Skerra', 'on', 'days', 'islands', '22.15', 'ferry', 'with'];
    foreach (array_chunk(DB::table('pages')->where('site_id', $site->id)->pluck('id')->all(), 1000) as $piece) {
        $rows = [];
        foreach ($piece as $page) {
            $blocks = [];
            for ($i = 0; $i < 5; $i++) {
                $text = implode(' ', array_map(static fn (): string => $words[mt_rand(0, count($words) - 1)], range(1, 40)));
                $blocks[] = ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]];
            }
            $document = json_encode(['version' => 1, 'type' => 'doc', 'content' => $blocks], JSON_THROW_ON_ERROR);
            $rows[] = ['page_id' => $page, 'working' => $document, 'working_version' => 1, 'saved_at' => now()];
        }
        DB::table('page_contents')->insert($rows);
    }
    DB::statement('vacuum analyze page_contents');
}
DB::statement('create temporary table bench_texts as select c.page_id, string_agg(t #>> \'{}\', E\'\n\') as text from page_contents c join pages p on p.id = c.page_id,
    jsonb_path_query(c.working, \'$.**.text\') t where p.site_id = ? group by c.page_id', [$site->id]);
$pattern = '(\d{1,2})\.(\d\d) (boat|ferry)';
$change = (new ChangeReader($site->rules(), 'UTC'))->batch([['kind' => 'replace-text', 'find' => $pattern, 'with' => '$1:$2 $3', 'way' => 'pattern', 'parts' => ['content']]])->changes[0];
assert($change instanceof ReplaceText);
$replace = $app->make(ReplaceTexts::class);
$places = 0;
$ours = static function () use ($replace, $site, $change, &$places): void {
    $places = 0;
    foreach ($replace->look($site, $change) as $found) {
        $places += count($found->places);
    }
};
$baseline = static fn () => DB::select("select page_id, regexp_matches(text, ?, 'gi') from bench_texts", [$pattern]);
Measure::compare('a pattern in 20,000 pages', $ours, $baseline, 1);
printf("%-28s %d, %.0f MB at most\n", 'places found', $places, memory_get_peak_usage(true) / 1e6);

$count = 2000 - DB::table('files')->where('site_id', $site->id)->count();
foreach (range(1, max(1, $count)) as $n) {
    if ($count > 0) {
        DB::table('files')->insert([
            'ulid' => (string) \Illuminate\Support\Str::ulid(), 'site_id' => $site->id, 'name' => "picture-$n.jpg", 'mime' => 'image/jpeg', 'bytes' => 1000 * $n, 'width' => 1200,
            'height' => 800, 'path' => 'none', 'folder' => 'F'.($n % 40),
        ]);
    }
}
$files = $app->make(\App\Desk\Files\ListFiles::class);
Measure::compare('2,000 files / reading rows', static fn () => json_encode($files->all($site)), static fn () => json_encode(DB::select('select * from files where site_id = ?', [$site->id])), 1);

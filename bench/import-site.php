<?php

declare(strict_types=1);

use App\Desk\BringIn\ApplySource;
use App\Desk\BringIn\GiveSource;
use App\Desk\MakeSite;
use App\Models\Site;
use App\Models\User;
use Illuminate\Support\Facades\DB;

// 20,000 pages from CSV, given, laid over an empty site and made live as one change, against COPY of the rows that come of it into tables
// with the same indexes; 5,000 saved pages of a site, read, told from what repeats, and made.
require __DIR__.'/boot.inc';
$rows = (int) (getenv('ROWS') ?: 20000);
$files = (int) (getenv('FILES') ?: 5000);
$owner = User::query()->firstOrFail();
$empty = static function (string $key) use ($owner): Site {
    foreach (Site::withTrashed()->where('key', 'like', 'bench-import%')->get() as $old) {
        $old->forceDelete();
    }

    return app(MakeSite::class)->make("bench-import-$key", 'Bench', "http://bench-import-$key.example", 'en-GB', 'UTC', null, $owner);
};
$time = static function (callable $work): float {
    $began = hrtime(true);
    $work();

    return (hrtime(true) - $began) / 1e9;
};
$bring = static function (Site $site, string $name, string $bytes) use ($owner, &$import): void {
    $import = app(GiveSource::class)->give($site, $owner, $name, $bytes, 'file', ['as' => 'live']);
    app(GiveSource::class)->read($import);
    $import->refresh()->state === 'ready' || throw new RuntimeException("Not read: {$import->problem}");
    $import->update(['state' => 'applying']);
    app(ApplySource::class)->goOn($import, $owner, [], null, '');
    $import->refresh()->state === 'applied' || throw new RuntimeException("Not made: {$import->problem}");
};

$text = "address,name,title,description,former addresses,markdown\n";
for ($i = 0; $i < $rows; $i++) {
    $section = '/section-'.intdiv($i, 200);
    $address = $i % 200 === 0 ? $section : "$section/page-$i";
    $text .= "$address,Page $i,Page $i – Bench,What page $i is about,/old/$i.html,Words of page $i and a [link](/section-0).\n";
}
$site = $empty('csv');
memory_reset_peak_usage();
$ours = $time(static fn () => $bring($site, 'pages.csv', $text));
$peak = memory_get_peak_usage() / 1048576;
$pdo = DB::connection()->getPdo();
$pages = DB::table('pages')->where('site_id', $site->id)->count();
$copies = [];
$kept = [];
foreach (['pages' => 'site_id = ?', 'ledger' => 'site_id = ?', 'page_contents' => 'page_id in (select id from pages where site_id = ?)', 'content_versions' => 'page_id in (select id from pages where site_id = ?)'] as $table => $where) {
    $columns = implode(', ', array_column(DB::select("select column_name from information_schema.columns where table_schema = 'public' and table_name = ? and is_generated = 'NEVER' order by ordinal_position", [$table]), 'column_name'));
    DB::statement("create temporary table kept_$table as select $columns from $table where ".str_replace('?', (string) $site->id, $where));
    $kept[$table] = [$pdo->pgsqlCopyToArray("kept_$table"), $columns];
}
for ($round = 0; $round < 3; $round++) {
    $pdo->beginTransaction();
    $copies[] = $time(static function () use ($pdo, $kept): void {
        foreach ($kept as $table => [$lines, $columns]) {
            $pdo->exec("create temporary table {$table}_copy (like $table including indexes including defaults including generated) on commit drop");
            $pdo->pgsqlCopyFromArray("{$table}_copy", $lines, "\t", '\\\\N', $columns);
        }
    });
    $pdo->rollBack();
}
sort($copies);
printf("import-site, %d pages from CSV: %.1f s, COPY and indexes of the same rows %.1f s, ratio %.1f; peak %.0f MB\n", $pages, $ours, $copies[1], $ours / $copies[1], $peak);

$path = (string) tempnam(sys_get_temp_dir(), 'bench');
$zip = new ZipArchive();
$zip->open($path, ZipArchive::OVERWRITE);
for ($i = 0; $i < $files; $i++) {
    $words = implode(' ', array_map(static fn (int $n): string => 'word'.($i * 31 + $n * 17) % 4999, range(1, 250)));
    $zip->addFromString('part-'.$i % 50 ."/page-$i.html", "<!doctype html><html lang=\"en\"><head><title>Page $i – Old site</title><meta name=\"description\" content=\"About $i\"></head><body><header><nav><ul>".implode('', array_map(static fn (int $n): string => "<li><a href=\"/part-$n/page-$n.html\">Part $n</a></li>", range(0, 19)))."</ul></nav></header><div id=\"c\"><h1>Page $i</h1><p>$words</p><p><a href=\"page-".($i + 50) % $files.'.html">Next</a></p></div><footer><p>The office, the harbour, the phone</p></footer></body></html>');
}
$zip->close();
$site = $empty('html');
$bytes = (string) file_get_contents($path);
unlink($path);
unset($kept, $text);
memory_reset_peak_usage();
$given = $time(static function () use ($site, $owner, $bytes, &$import): void {
    $import = app(GiveSource::class)->give($site, $owner, 'old.zip', $bytes, 'file', ['as' => 'live']);
    app(GiveSource::class)->read($import);
});
$import->refresh()->update(['state' => 'applying']);
$made = $time(static fn () => app(ApplySource::class)->goOn($import, $owner, [], null, ''));
$import->refresh()->state === 'applied' || throw new RuntimeException("Not made: {$import->problem}");
printf("import-site, %d saved pages: read in %.1f s (%.0f a second), made in %.1f s; together %.0f a second; peak %.0f MB\n", $files, $given, $files / $given, $made, $files / ($given + $made), memory_get_peak_usage() / 1048576);
$empty('gone')->forceDelete();

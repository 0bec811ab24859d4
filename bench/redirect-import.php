<?php

declare(strict_types=1);

use App\Desk\ImportRedirects;
use App\Desk\Rights;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

// A file of 100,000 redirects, half to pages, some in chains, some wrong: looked over with a diagnosis for every row, and made,
// against COPY of the same into tables like those of the ledger and the redirects with all their indexes.
require __DIR__.'/boot.inc';
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$by = User::query()->firstOrFail();
$pages = array_column(DB::select("select address from pages where site_id = ? and state = 'live' order by id limit 5000", [$site->id]), 'address');
$rows = (int) (getenv('ROWS') ?: 100000);
$text = "address,leads to,answer,note\n";
$ledger = $rules = [];
for ($i = 0; $i < $rows; $i++) {
    $source = $i % 97 === 0 ? $pages[$i % count($pages)] : '/old/site/section-'.$i % 300 ."/article-$i.html";
    $target = match ($i % 4) {
        0, 1 => $pages[$i % count($pages)],
        2 => "https://partner.example/item/$i",
        default => '/old/site/section-'.($i + 7) % 300 .'/article-'.($i + 7).'.html',
    };
    $text .= "$source,$target,".['301', '302'][$i % 2].",From the old system\n";
    $id = '01J'.strtoupper(substr(md5((string) $i), 0, 23));
    $ledger[] = "{$site->id}\t$source-$i\t$source-$i\trule";
    $rules[] =
        "$id\t{$site->id}\tone\t$source-$i\t$source-$i\tt\t301\t".
        ($i % 4 < 2 ? "page $id" : "url $target").
        "\tcarry\t\tt\tt\tf\t0\tFrom the old system\timport\tone $source-$i";
}
$pdo = DB::connection()->getPdo();
$copy = static function () use ($pdo, $ledger, $rules): void {
    $pdo->beginTransaction();
    $pdo->exec('create temporary table ledger_copy (like ledger including indexes including defaults including identity) on commit drop');
    $pdo->exec('create temporary table rules_copy (like redirect_rules including indexes including defaults including identity) on commit drop');
    $pdo->pgsqlCopyFromArray('ledger_copy', $ledger, "\t", '\\\\N', 'site_id, key, address, kind');
    $pdo->pgsqlCopyFromArray(
        'rules_copy',
        $rules,
        "\t",
        '\\\\N',
        'ulid, site_id, scope, source, key, claims, answer, target, query, matched, carries_rest, is_on, in_front, position, note, origin, identity',
    );
    $pdo->rollBack();
};
$import = app(ImportRedirects::class);
$time = static function (callable $work): float {
    $began = hrtime(true);
    $work();

    return (hrtime(true) - $began) / 1e9;
};
$looks = $copies = [];
$before = memory_get_usage();
memory_reset_peak_usage();
for ($round = 0; $round < 5; $round++) {
    $looks[] = $time(static function () use ($import, $site, $text, &$look): void {
        $look = $import->look($site, $text, (string) Str::ulid());
    });
    $peak ??= memory_get_peak_usage() - $before;
    $copies[] = $time($copy);
}
sort($looks);
sort($copies);
printf(
    "redirect-import, %d rows (%d good, %d bad): looked over in %.2f s, COPY and indexes %.2f s, ratio %.2f; %.0f MB beside the file\n",
    $rows,
    $look->good,
    count($look->bad),
    $looks[2],
    $copies[2],
    $looks[2] / $copies[2],
    $peak / 1048576,
);
$seed = (string) Str::ulid();
$look = $import->look($site, $text, $seed);
DB::beginTransaction();
$made = $time(static fn () => $import->make($site, $by, $text, $seed, $look, '', Rights::of(Authority::Owner)));
DB::rollBack();
printf("redirect-import, made: %.1f s, ratio %.1f; peak of all %.0f MB\n", $made, $made / $copies[2], memory_get_peak_usage() / 1048576);

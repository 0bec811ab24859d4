<?php

declare(strict_types=1);
$app = require __DIR__.'/boot.inc';
use App\Desk\ImportRedirects;
use App\Models\Site;
use Illuminate\Support\Facades\DB;

$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$pages = array_column(DB::select("select address from pages where site_id = ? and state = 'live' order by id limit 5000", [$site->id]), 'address');
$n = (int) (getenv('ROWS') ?: 10000);
$text = "address,leads to,answer,note\n";
for ($i = 0; $i < $n; $i++) {
    $text .= '/old/site/section-'.($i % 300)."/article-$i.html,".($i % 5 === 0 ? "https://partner.example/item/$i" : ($i % 5 === 1 ? '/old/site/section-'.(($i + 7) % 300).'/article-'.($i + 7).'.html' : $pages[$i % count($pages)])).','.['301', '302'][$i % 2].",From the old system\n";
}
$t = microtime(true);
$own = $site->ownAddresses();
$rows = new Heronstem\Core\Interchange\RedirectRows(new Heronstem\Core\Redirect\RuleReader($site->rules(), $site->zone), $own, static fn (string $key): ?string => null, '01ARZ3NDEKTSV4RRFFQ69G5FAV');
$k = 0;
foreach (Heronstem\Core\Interchange\Table::rows($text) as $line => $fields) {
    $k++;
} printf("table: %.2f s\n", microtime(true) - $t);
$t = microtime(true);
foreach (Heronstem\Core\Interchange\Table::rows($text) as $line => $fields) {
    $r = $rows->read($fields, $line);
} printf("read: %.2f s  mem %.0f\n", microtime(true) - $t, memory_get_peak_usage() / 1048576);
if ($n <= 10000) {
    $t = microtime(true);
    [$good, $bad] = app(ImportRedirects::class)->look($site, $text, '01ARZ3NDEKTSV4RRFFQ69G5FAV');
    printf("look: %.2f s good %d bad %d mem %.0f\n", microtime(true) - $t, count($good), count($bad), memory_get_peak_usage() / 1048576);
    $q = [];
    DB::listen(function ($e) use (&$q) {
        $k = substr(preg_replace('/\s+/', ' ', $e->sql), 0, 110);
        $q[$k][0] = ($q[$k][0] ?? 0) + 1;
        $q[$k][1] = ($q[$k][1] ?? 0) + $e->time;
    });
    DB::beginTransaction();
    $t = microtime(true);
    app(ImportRedirects::class)->make($site, App\Models\User::query()->first(), $good, '');
    printf("make: %.2f s mem %.0f\n", microtime(true) - $t, memory_get_peak_usage() / 1048576);
    DB::rollBack();
    uasort($q, fn ($a, $b) => $b[1] <=> $a[1]);
    foreach (array_slice($q, 0, 14) as $k => $v) {
        printf("%6d %8.0f ms %s\n", $v[0], $v[1], $k);
    }
}

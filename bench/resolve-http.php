<?php

declare(strict_types=1);

use App\Desk\ExportRedirects;
use App\Models\Site;
use Heronstem\Core\Interchange\Server\NginxRules;
use Illuminate\Support\Facades\DB;
use Tests\App\WebServer;

// Redirects over HTTP, asked for by wrk: the demo's site as it is served here (PHP's own server, three workers), against a real
// nginx that holds the exported maps. Each in turns, three times; requests a second.
require __DIR__.'/boot.inc';
is_executable('/usr/bin/wrk') || exit("wrk is missing: install Debian's package of that name.\n");
$site = Site::query()->where('key', 'ferries')->firstOrFail();
$asked = array_values(
    array_filter(
        array_column(DB::select("select address from ledger where site_id = ? and kind in ('redirect', 'rule', 'gone')", [$site->id]), 'address'),
        static fn (string $address): bool => ! str_contains($address, 'winter-deal'),
    ),
);
$asked = [...$asked, '/island-guide/skerra', '/timetable/summer', '/news/2021/anything'];
$export = app(ExportRedirects::class)->nginx($site);
$nginx = WebServer::nginx($export->maps(), NginxRules::server());
$script = tempnam(sys_get_temp_dir(), 'heronstem-wrk').'.lua';
file_put_contents(
    $script,
    'local asked = { '.
        implode(', ', array_map(static fn (string $address): string => '"'.addcslashes($address, '"\\').'"', $asked)).
        " }\nlocal n = 0\nrequest = function() n = n % #asked + 1; return wrk.format('GET', asked[n]) end\n",
);
$rate = static function (string $url) use ($script): float {
    $said = (string) shell_exec('wrk -t1 -c8 -d4s -s '.escapeshellarg($script).' '.escapeshellarg($url).' 2>&1');

    return preg_match('#Requests/sec:\s+([0-9.]+)#', $said, $found) === 1 ? (float) $found[1] : exit($said);
};
try {
    $ours = $theirs = [];
    for ($round = 0; $round < 3; $round++) {
        $theirs[] = $rate($nginx->origin());
        $ours[] = $rate((string) getenv('FERRIES_URL'));
    }
    sort($ours);
    sort($theirs);
    printf(
        "resolve-http, %d addresses that lead on: here %.0f requests a second, nginx with the exported maps %.0f, %.0f times as many\n",
        count($asked),
        $ours[1],
        $theirs[1],
        $theirs[1] / $ours[1],
    );
} finally {
    $nginx->stop();
    unlink($script);
}

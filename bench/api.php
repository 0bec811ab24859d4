<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

// What the editor asks most, eight at once on the site of the demo through nginx and PHP-FPM: median and 95th percentile, against the session
// alone, which starts the framework, finds out who asks, and asks nothing else.
require __DIR__.'/boot.inc';
$each = (int) (getenv('ROUNDS') ?: 25);
Artisan::call('heronstem:token', ['--user' => 'greta@skerrivane.example']);
$token = trim(Artisan::output());
$page = static fn (string $address): string => (string) DB::table('pages')->join('sites', 'sites.id', '=', 'pages.site_id')->where('sites.key', 'ferries')->where('pages.address', $address)->value('pages.ulid');
$move = json_encode(['changes' => [['kind' => 'move', 'page' => $page('/travel/timetables'), 'place' => ['last' => $page('/help')]]]], JSON_THROW_ON_ERROR);
$asked = [
    'session (baseline)' => ['/session', null],
    'outline' => ['/sites/ferries/outline', null],
    'branch' => ['/sites/ferries/branch?parent='.$page('/travel'), null],
    'ripple of one move' => ['/sites/ferries/ripple', $move],
];
$editor = rtrim((string) getenv('EDITOR_URL'), '/').'/api/v1';
$headers = ["Authorization: Bearer $token", 'Content-Type: application/json', 'Accept: application/json'];
foreach ($asked as $name => [$path, $body]) {
    $times = [];
    for ($round = 0; $round < $each; $round++) {
        $all = curl_multi_init();
        $handles = [];
        for ($n = 0; $n < 8; $n++) {
            $handles[] = $curl = curl_init($editor.$path);
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => $headers] + ($body === null ? [] : [CURLOPT_POSTFIELDS => $body]));
            curl_multi_add_handle($all, $curl);
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all, 0.05);
        } while ($running > 0);
        foreach ($handles as $curl) {
            $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
            if ($status >= 300) {
                throw new RuntimeException("$path answers $status.");
            }
            $round < 2 ?: $times[] = 1000 * curl_getinfo($curl, CURLINFO_TOTAL_TIME);
        }
    }
    sort($times);
    $at = static fn (float $share): float => $times[(int) floor($share * (count($times) - 1))];
    $base ??= $at(0.95);
    printf("api %-20s median %5.1f ms, p95 %5.1f ms, %.1f of the baseline (aim: p95 at most 60 ms)\n", $name, $at(0.5), $at(0.95), $at(0.95) / $base);
}

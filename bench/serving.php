<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;

// What visitors get through nginx and PHP-FPM, each against something that does as little as possible on the same servers, asked in turns.
require __DIR__.'/boot.inc';
$rounds = (int) (getenv('ROUNDS') ?: 5);
$public = (string) getenv('FERRIES_URL');
$folder = (string) getenv('HERONSTEM_NODE_FOLDER');
$fetch = static function (string $url, array $headers = []): string {
    $curl = curl_init($url);
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => $headers, CURLOPT_FOLLOWLOCATION => false]);

    return (string) curl_exec($curl);
};
$rate = static function (string $url, array $headers = []) use ($fetch): float {
    $fetch($url, $headers);
    $more = implode(' ', array_map(static fn (string $header): string => '-H '.escapeshellarg($header), $headers));
    $said = (string) shell_exec("wrk -t2 -c16 -d3s $more ".escapeshellarg($url));

    return preg_match('#Requests/sec:\s+([0-9.]+)#', $said, $found) === 1 ? (float) $found[1] : throw new RuntimeException("wrk says: $said");
};
$compare = static function (string $what, float $aim, Closure $ours, Closure $theirs) use ($rounds): void {
    $ratios = $rates = [];
    for ($round = 0; $round < $rounds; $round++) {
        [$a, $b] = [$ours(), $theirs()];
        $ratios[] = $a / $b;
        $rates[] = [$a, $b];
    }
    sort($ratios);
    sort($rates);
    [$a, $b] = $rates[intdiv($rounds, 2)];
    printf("serving %s: %.0f a second, baseline %.0f, ratio %.2f (%.2f to %.2f; aim %.1f)\n", $what, $a, $b, $ratios[intdiv($rounds, 2)], $ratios[0], end($ratios), $aim);
};

// A second nginx over the same PHP-FPM, for what is measured against.
$place = sys_get_temp_dir().'/heronstem-bench-'.bin2hex(random_bytes(4));
mkdir($place);
$port = 19555;
preg_match('/unix:([^;]+);/', (string) file_get_contents("$folder/nginx.conf"), $socket);
$user = posix_getpwuid((int) fileowner($socket[1]))['name'] ?? 'root';
file_put_contents("$place/nginx.conf", "user $user; worker_processes auto; pid $place/pid; error_log stderr; events { worker_connections 1024; }
http { access_log off; client_body_temp_path $place/b; fastcgi_temp_path $place/f; proxy_temp_path $place/p; uwsgi_temp_path $place/u; scgi_temp_path $place/s;
server { listen 127.0.0.1:$port; location / { include /etc/nginx/fastcgi_params; fastcgi_param SCRIPT_FILENAME ".__DIR__."/serving\$uri; fastcgi_pass unix:{$socket[1]}; } } }");
$nginx = proc_open(['/usr/sbin/nginx', '-c', "$place/nginx.conf", '-g', 'daemon off;'], [2 => ['file', "$place/log", 'w']], $pipes);
for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $port) === false; $i++) {
    usleep(50_000);
}

$gzip = ['Accept-Encoding: gzip'];
$kept = $fetch("$public/", $gzip);
$static = dirname(__DIR__).'/public/_site/bench-same-bytes.js';
file_put_contents($static, (string) gzdecode($kept));
file_put_contents("$static.gz", $kept);
array_map(static fn (string $file): bool => chmod($file, 0644), [$static, "$static.gz"]);
$row = (int) DB::table('ledger')->where('kind', 'page')->value('id');
$moved = (string) DB::table('ledger')->where('kind', 'redirect')->value('address') ?: '/Travel/Fares/';
try {
    $compare('a page that is kept, of the same bytes as a file', 0.8, fn (): float => $rate("$public/", $gzip), fn (): float => $rate("$public/_site/bench-same-bytes.js", $gzip));
    $compare('a redirect, of a script that reads one row', 0.7, fn (): float => $rate($public.$moved), fn (): float => $rate("http://127.0.0.1:$port/bare.php?id=$row"));
    $compare('a miss, of a script that reads one row', 0.6, fn (): float => $rate("$public/wp-login.php"), fn (): float => $rate("http://127.0.0.1:$port/bare.php?id=$row"));
    $compare('a page that is not kept, of a bare route', 0.7, fn (): float => $rate("$public/", ['Cookie: heronstem_visitor=nobody']), fn (): float => $rate("http://127.0.0.1:$port/route.php"));
} finally {
    proc_terminate($nginx);
    @unlink($static);
    @unlink("$static.gz");
    exec('rm -rf '.escapeshellarg($place));
}

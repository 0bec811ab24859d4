<?php

declare(strict_types=1);

/**
 * Stands in for other people's sites: `/HOST/PATH` answers as HOST would at PATH. Runs by itself:
 * php -S 127.0.0.1:9101 simulators/web.php
 */
$asked = (string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH);
[, $host, $path] = [...explode('/', $asked, 3), '', ''];
$path = "/$path";

$answer = static function (int $status, array $headers = [], string $text = ''): never {
    http_response_code($status);
    foreach ($headers as $name => $value) {
        header("$name: $value");
    }
    header('Content-Type: text/html; charset=utf-8');
    echo $text === '' ? "<!DOCTYPE html><html lang=\"en\"><title>Stand-in</title><p>Status $status</p></html>" : $text;
    exit();
};

if ($host === 'vanesay-line.example') {
    require __DIR__.'/old-site.php';
}

if ($host === 'films.example') {
    require __DIR__.'/films.php';
}

match (true) {
    "$host$path" === 'weather.example/skerrivane' => $answer(301, ['Location' => 'https://weather.example/islands/skerrivane']),
    $host === 'postbus.example' && str_ends_with($path, '/2024') => $answer(410),
    $host === 'away.example' => $answer(503, ['Retry-After' => '7200']),
    $host === 'private.example' => $answer(403),
    str_starts_with($path, '/gone') => $answer(410),
    str_starts_with($path, '/missing') => $answer(404),
    str_starts_with($path, '/moved/') => $answer(301, ['Location' => "https://$host/".substr($path, 7)]),
    str_starts_with($path, '/for-now/') => $answer(302, ['Location' => "https://$host/".substr($path, 9)]),
    str_starts_with($path, '/round') => $answer(302, ['Location' => "https://$host/round"]),
    str_starts_with($path, '/no-head') && $_SERVER['REQUEST_METHOD'] === 'HEAD' => $answer(405, ['Allow' => 'GET']),
    str_starts_with($path, '/inward') => $answer(302, ['Location' => 'http://127.0.0.1/']),
    default => $answer(200),
};

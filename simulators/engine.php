<?php

declare(strict_types=1);

/**
 * Stands in for a search engine that is told of changes (IndexNow): takes messages at `/indexnow`, looks the key up where the
 * message says, and lists what it was told at `/told`. Runs by itself, with a file to note in:
 * ENGINE_LOG=/tmp/told.jsonl php -S 127.0.0.1:9102 simulators/engine.php
 */
$log = getenv('ENGINE_LOG') ?: sys_get_temp_dir().'/heronstem-engine.jsonl';
$answer = static function (int $status, string $text, array $headers = []): never {
    http_response_code($status);
    foreach ($headers as $name => $value) {
        header("$name: $value");
    }
    header('Content-Type: text/plain; charset=utf-8');
    echo $text;
    exit();
};
$path = parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH);
if ($path === '/told') {
    $answer(200, (string) @file_get_contents($log));
}
if ($path === '/busy') {
    $answer(429, 'Later.', ['Retry-After' => '120']);
}
if ($path !== '/indexnow') {
    $answer(404, 'Nothing here.');
}
$message = json_decode((string) file_get_contents('php://input'), true);
$fields = is_array($message) ? $message : [];
[$host, $key, $location, $urls] = [$fields['host'] ?? null, $fields['key'] ?? null, $fields['keyLocation'] ?? null, $fields['urlList'] ?? null];
if (! is_string($host) || ! is_string($key) || preg_match('/^[A-Za-z0-9-]{8,128}$/D', $key) !== 1 || ! is_array($urls) || $urls === [] || count($urls) > 10_000) {
    $answer(400, 'Not a message.');
}
$location = is_string($location) ? $location : "https://$host/$key.txt";
$belongs = static fn (mixed $url): bool => is_string($url) && preg_match('#^https?://'.preg_quote($host, '#').'(?:/|$)#', $url) === 1;
if (! $belongs($location) || array_filter($urls, static fn (mixed $url): bool => ! $belongs($url)) !== []) {
    $answer(422, 'Addresses of another host.');
}
if (trim((string) @file_get_contents($location, false, stream_context_create(['http' => ['timeout' => 5]]))) !== $key) {
    $answer(403, 'The key is not at its address.');
}
file_put_contents($log, json_encode(['at' => gmdate('c'), 'host' => $host, 'urlList' => $urls], JSON_UNESCAPED_SLASHES)."\n", FILE_APPEND | LOCK_EX);
$answer(200, 'Taken.');

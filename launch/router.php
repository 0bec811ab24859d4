<?php

declare(strict_types=1);

// For PHP's own server: files that ship with the application are served as they are, everything else by it.
$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
$types = [
    'css' => 'text/css',
    'js' => 'text/javascript',
    'svg' => 'image/svg+xml',
    'woff2' => 'font/woff2',
    'json' => 'application/json',
    'png' => 'image/png',
];
if (preg_match('#^/_(?:site|editor)/(?:[A-Za-z0-9_-]+/)*[A-Za-z0-9_.-]+\.([a-z0-9]+)$#D', $path, $found) === 1 && isset($types[$found[1]])) {
    $file = dirname(__DIR__).'/public'.$path;
    if (! str_contains($path, '..') && is_file($file)) {
        $tag = '"'.dechex((int) filemtime($file)).'-'.dechex((int) filesize($file)).'"';
        header('Content-Type: '.$types[$found[1]].'; charset=utf-8');
        header('X-Content-Type-Options: nosniff');
        header('Access-Control-Allow-Origin: *');
        header('Cache-Control: '.(str_starts_with($path, '/_editor/assets/') ? 'public, max-age=31536000, immutable' : 'public, max-age=3600'));
        header("ETag: $tag");
        if (($_SERVER['HTTP_IF_NONE_MATCH'] ?? '') === $tag) {
            http_response_code(304);

            return true;
        }
        readfile($file);

        return true;
    }
}
$_SERVER['SCRIPT_NAME'] = '/index.php';
require dirname(__DIR__).'/public/index.php';

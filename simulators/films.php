<?php

declare(strict_types=1);

/** Stands in for a site that shows films and tells of them by oEmbed (oembed.com, 1.0): asked for by web.php. */
$films = ['landing' => 'Landing on Tarransay Holm', 'seals' => 'Seals in Hallin Sound'];
$asked = [];
parse_str((string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? ''), PHP_URL_QUERY), $asked);
$name = $path === '/oembed' ? basename((string) ($asked['url'] ?? '')) : basename($path, '.svg');
$title = $films[$name] ?? null;

if ($title === null) {
    $answer(404);
}
if ($path === '/oembed') {
    header('Content-Type: application/json; charset=utf-8');
    echo json_encode([
        'version' => '1.0',
        'type' => 'video',
        'title' => $title,
        'provider_name' => 'Islands on film',
        'width' => 960,
        'height' => 540,
        'html' => "<iframe width=\"960\" height=\"540\" src=\"https://films.example/play/$name\"></iframe>",
        'thumbnail_url' => "https://films.example/pictures/$name.svg",
    ]);
    exit();
}
if (str_starts_with($path, '/pictures/')) {
    header('Content-Type: image/svg+xml');
    echo '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 960 540" width="960" height="540"><rect width="960" height="540" fill="#1d6076"/>'.
        '<path d="M0 380c160-120 260-150 400-150s240 90 560 60v250H0z" fill="#12344d"/><path d="M440 200l120 70-120 70z" fill="#f7f3ea"/></svg>';
    exit();
}
$answer(
    200,
    [],
    "<!DOCTYPE html><html lang=\"en\"><title>$title</title><body style=\"margin:0;background:#12344d;color:#fff;font:24px sans-serif\"><p style=\"padding:40px\">▶ $title is playing.</p></body></html>",
);

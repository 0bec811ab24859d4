<?php

declare(strict_types=1);

// What nearly every request needs is compiled once, when PHP-FPM starts, and shared by all its workers. Classes whose parents are not
// among these are compiled when they are first used.
$root = dirname(__DIR__);
$parts = [
    'Auth',
    'Bus',
    'Cache',
    'Collections',
    'Conditionable',
    'Config',
    'Container',
    'Contracts',
    'Cookie',
    'Database',
    'Encryption',
    'Events',
    'Filesystem',
    'Foundation',
    'Hashing',
    'Http',
    'Log',
    'Macroable',
    'Pipeline',
    'Queue',
    'Routing',
    'Session',
    'Support',
    'Translation',
    'Validation',
    'View',
];
$folders = [
    'core',
    'app',
    ...array_map(static fn (string $part): string => "vendor/laravel/framework/src/Illuminate/$part", $parts),
    'vendor/symfony/http-foundation',
    'vendor/symfony/http-kernel',
    'vendor/symfony/routing',
    'vendor/nesbot/carbon/src/Carbon',
    'vendor/monolog/monolog/src',
    'vendor/psr',
];
$isMeant = static fn (string $path): bool => preg_match('#/[A-Z][A-Za-z]*\.php$#D', $path) === 1 &&
    preg_match('#/(?:Testing|Tests|Console|stubs|resources)/#', $path) !== 1;
set_error_handler(static fn (): bool => true);
require "$root/vendor/autoload.php";
foreach (array_filter($folders, static fn (string $folder): bool => is_dir("$root/$folder")) as $folder) {
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
        $isMeant((string) $file) && opcache_compile_file((string) $file);
    }
}

<?php

declare(strict_types=1);

namespace App\Short;

use App\Desk\Watch\Measured;
use App\Store\HitLog;
use App\Store\Redis\HitList;
use App\Store\RulesFile;
use PDO;

/** Begins the short path with the settings that the application was started with: they are kept compiled, and read without it. */
final class ShortStart
{
    /**
     * @param  array<mixed>  $server
     * @param  array<mixed>  $cookies
     */
    public static function answers(array $server, array $cookies): bool
    {
        // Only nginx asks for it, and only where settings are kept.
        $settings =
            isset($server['PAGE_KEY']) && is_string($file = $server['APP_CONFIG_CACHE'] ?? getenv('APP_CONFIG_CACHE')) ? @include $file : null;
        $asked = $server['REQUEST_URI'] ?? '/_';
        if (! is_array($settings) || ! is_string($asked) || str_starts_with($asked, '/_') || str_starts_with($asked, '/api/')) {
            return false;
        }
        // What is stored is nobody else's to read.
        umask(0027);
        self::loadByItself();
        try {
            $answer = self::path($settings)->answer($server, $cookies, time());
        } catch (\Throwable) {
            // Whatever it was, the framework meets it again, and says so.
            return false;
        }
        if ($answer !== null) {
            Measured::count(sprintf('heronstem_short_requests_total{status="%d"}', $answer->status));
        }
        $answer?->send(($server['REQUEST_METHOD'] ?? '') !== 'HEAD');

        return $answer !== null;
    }

    /** @param  array<mixed>  $settings */
    private static function path(array $settings): ShortPath
    {
        $primary = $settings['database']['connections']['pgsql'];
        $replica = $settings['database']['connections']['replica'] ?? null;
        $of = $replica !== null && (new ReplicaState($settings['heronstem']['node_folder']))->isFresh(microtime(true)) ? $replica : $primary;
        $storage = (string) ($_SERVER['HERONSTEM_STORAGE'] ?? getenv('HERONSTEM_STORAGE'));
        $pdo = new PDO(
            "pgsql:host={$of['host']};port={$of['port']};dbname={$of['database']};sslmode={$of['sslmode']}",
            $of['username'],
            $of['password'],
            [
                PDO::ATTR_PERSISTENT => true,
                PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
                // One way there and back for each question.
                PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
            ],
        );

        return new ShortPath(
            $pdo,
            RulesFile::here($storage, (string) $primary['database']),
            new HitLog("$storage/app/hits", HitList::at($settings['heronstem']['redis'])),
            new MissedPages($settings['heronstem']['node_folder']),
            array_map(trim(...), explode(',', (string) $settings['heronstem']['trusted_proxies'])),
            (int) $settings['heronstem']['hsts'],
        );
    }

    /** The few classes that it needs, found by their names; the packages' own loader takes longer to begin than the answer. */
    private static function loadByItself(): void
    {
        $root = dirname(__DIR__, 2);
        $loader = static function (string $class) use ($root): void {
            $file = match (true) {
                str_starts_with($class, 'Heronstem\\Core\\') => "$root/core/".strtr(substr($class, 15), '\\', '/').'.php',
                str_starts_with($class, 'App\\') => "$root/app/".strtr(substr($class, 4), '\\', '/').'.php',
                default => null,
            };
            if ($file !== null && is_file($file)) {
                require $file;
            } elseif (! class_exists(\Composer\Autoload\ClassLoader::class, false)) {
                // A library of the core, for what is rare in addresses.
                require "$root/vendor/autoload.php";
            }
        };
        spl_autoload_register($loader);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Cache;

/**
 * Of those who ask for the same page at the same moment one renders it; the others wait, and take it from where it is kept then. A lock
 * on a file of this node, so that it ends with whoever holds it; some thousand files serve for all pages.
 */
final class OneRenders
{
    /** Microseconds that the web server has for storing what it was given. */
    private const STORED = 5_000;

    /** @var list<resource> */
    private static array $held = [];

    /**
     * Whether it is this request that renders the page: not where it has come to be kept since it was asked for.
     *
     * @param  int  $asked  when the web server did not have it, in seconds since 1970
     */
    public static function isThis(Node $node, string $key, int $asked): bool
    {
        $lock = @fopen("{$node->folder}/rendering/".substr(md5($key), 0, 3), 'c');
        if ($lock !== false && flock($lock, LOCK_EX)) {
            if (self::$held === []) {
                register_shutdown_function(self::release(...));
            }
            self::$held[] = $lock;
        }
        clearstatcache();

        return (int) @filemtime($node->file($key)) < $asked;
    }

    /** Once the answer is on its way, and the web server has had time to store it. */
    private static function release(): void
    {
        if (function_exists('fastcgi_finish_request')) {
            fastcgi_finish_request();
            usleep(self::STORED);
        }
        foreach (self::$held as $lock) {
            fclose($lock);
        }
        self::$held = [];
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Watch;

use App\Store\SharedMemory;

/** Counts and times of this node since PHP was started, in the memory that its workers share; nothing where there is none. */
final class Measured
{
    private const PREFIX = 'heronstem-measured ';

    /** @param  string  $name  as Prometheus names it, with its labels */
    public static function count(string $name, int $by = 1): void
    {
        if (SharedMemory::isThere()) {
            apcu_inc(self::PREFIX.$name, $by);
        }
    }

    /**
     * Adds to how often something was done, and to how long that took.
     *
     * @param  string  $labels  in braces, or nothing
     */
    public static function took(string $name, float $seconds, string $labels = ''): void
    {
        self::count("{$name}_seconds_count$labels");
        // Microseconds, since shared counters are whole numbers.
        self::count("{$name}_seconds_sum$labels", (int) round($seconds * 1e6));
    }

    /** @return array<string, float> by name and labels; times in seconds */
    public static function all(): array
    {
        $all = [];
        foreach (
            SharedMemory::isThere() ? new \APCUIterator('/^'.preg_quote(self::PREFIX, '/').'/', APC_ITER_KEY | APC_ITER_VALUE) : [] as $one
        ) {
            $name = substr($one['key'], strlen(self::PREFIX));
            $all[$name] = str_contains($name, '_seconds_sum') ? $one['value'] / 1e6 : (float) $one['value'];
        }
        ksort($all);

        return $all;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Cache;

use App\Store\SharedMemory;
use Illuminate\Contracts\Cache\Factory;
use Illuminate\Contracts\Cache\Repository;

/** What a node works out of its own files, kept in the memory that its workers share for as long as the files are as they were. */
final readonly class NodeMemory
{
    private const KEPT = 86_400;

    /** Seconds in which a file may change once more without its time saying so. */
    private const UNSETTLED = 2;

    public function __construct(private Factory $cache)
    {
    }

    /** For what may be each node's own: its memory, or, where there is none, what is kept for all. */
    public function orKept(): Repository
    {
        return $this->cache->store(SharedMemory::isThere() ? 'node' : null);
    }

    /**
     * @template T of object|array<mixed>
     *
     * @param  string  $what  tells apart what is worked out of the same files
     * @param  list<string>  $files
     * @param  \Closure(): T  $work  what throws is not kept
     * @return T
     */
    public function of(string $what, array $files, \Closure $work): object|array
    {
        $state = $what;
        foreach ($files as $file) {
            $stat = @stat($file);
            if ($stat === false || $stat['mtime'] > time() - self::UNSETTLED) {
                return $work();
            }
            $state .= "\n$file {$stat['mtime']} {$stat['size']} {$stat['ino']}";
        }

        return $this->cache->store('node')->remember(hash('xxh128', $state), self::KEPT, $work);
    }
}

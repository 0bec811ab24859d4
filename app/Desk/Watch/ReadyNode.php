<?php

declare(strict_types=1);

namespace App\Desk\Watch;

use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Migrations\Migrator;

/** Whether this node can answer: each thing that it needs, with what is wrong about it and the way out. */
final readonly class ReadyNode
{
    /** Bytes below which files, logs and the cache of pages are soon without room. */
    private const ROOM = 200 * 1024 * 1024;

    /** Seconds that the clock may differ from the database's. */
    private const CLOCK = 5;

    public function __construct(private ConnectionInterface $db, private Migrator $migrator, private Disks $disks)
    {
    }

    /** @return array<string, string|null> what is wrong, by what was looked at; null where it is right */
    public function problems(): array
    {
        $database = $this->tried(fn () => $this->db->select('select 1'));
        $later = static fn (?\Closure $look): ?string => $database !== null
            ? 'Not looked at: the database does not answer.'
            : ($look === null
                ? null
                : $look());

        return [
            'database' => $database === null ? null : "The database does not answer: $database",
            'migrations' => $later(
                fn (): ?string => $this->pending() === 0
                    ? null
                    : "{$this->pending()} changes to the database are not made yet. Start it anew, or run: ./heronstem artisan migrate --force",
            ),
            'clock' => $later($this->clock(...)),
            'storage' => $this->storage(),
            'files' => $this->tried(fn () => $this->disks->disk(config('heronstem.files_disk'))->exists('nothing')),
            'room' => $this->room(),
        ];
    }

    private function pending(): int
    {
        $files = $this->migrator->getMigrationFiles(database_path('migrations'));

        return count(array_diff(array_keys($files), $this->migrator->getRepository()->getRan()));
    }

    private function clock(): ?string
    {
        $off = abs((int) $this->db->scalar('select extract(epoch from clock_timestamp())::bigint') - time());

        return $off <= self::CLOCK
            ? null
            : "The clock differs from the database's by $off seconds. Have both set by NTP: schedules are kept by the second.";
    }

    private function storage(): ?string
    {
        $file = storage_path('app/.tried-'.getmypid());
        if (@file_put_contents($file, 'x') !== 1) {
            return 'Nothing can be written in '.storage_path('app').'. Give it to the user that runs this, and look whether the disk is full.';
        }
        unlink($file);

        return null;
    }

    private function room(): ?string
    {
        $free = (float) disk_free_space(storage_path());

        return $free >= self::ROOM
            ? null
            : sprintf('Only %d MB are free on the disk of %s. Make room: below that, files and logs are lost.', $free / 1048576, storage_path());
    }

    private function tried(\Closure $look): ?string
    {
        try {
            $look();

            return null;
        } catch (\Throwable $no) {
            return mb_substr((string) preg_replace('/\s+/', ' ', $no->getMessage()), 0, 200);
        }
    }
}

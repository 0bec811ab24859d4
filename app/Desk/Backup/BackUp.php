<?php

declare(strict_types=1);

namespace App\Desk\Backup;

use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Database\Connection;
use ZipArchive;

/**
 * Database and files as of one moment, in one ZIP file: a dump of PostgreSQL's own, the files that people uploaded, and a list of all
 * with their SHA-256. With a key its parts are encrypted (AES-256, as ZIP files have it). The site goes on meanwhile.
 */
final readonly class BackUp
{
    public const VERSION = 1;

    /** Bytes of files after which those added so far are written, so that they need not be held. */
    private const FLUSH = 32 * 1024 * 1024;

    public function __construct(private Connection $db, private Disks $disks, private Postgres $postgres)
    {
    }

    /**
     * @param  string  $to  the file to make; made beside and moved into place, so that nobody meets half of it
     * @param  string|null  $key  for encrypting
     * @return array{at: string, pages: int, files: int, bytes: int, missing: list<string>}
     *
     * @throws BackupFailed saying why
     */
    public function make(string $to, #[\SensitiveParameter] ?string $key): array
    {
        $half = "$to.".bin2hex(random_bytes(4)).'.half';
        $dump = (string) tempnam(sys_get_temp_dir(), 'heronstem-dump');
        $zip = new ZipArchive();
        if ($zip->open($half, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new BackupFailed("$to cannot be written: is the folder there, and may it be written to?");
        }
        try {
            // Files first, then those that have come since: what is removed after the moment has been copied before it.
            $sums = [];
            $this->files($zip, $sums, $key);
            [$at, $counts, $missing] = $this->asOfOneMoment($zip, $dump, $sums, $key);
            $this->put($zip, 'database.dump', $dump, $sums, $key);
            $manifest = [
                'format' => 'heronstem-backup',
                'version' => self::VERSION,
                'at' => $at,
                'key' => self::print(),
                'counts' => $counts,
                'missing' => $missing,
                'sha256' => $sums,
            ];
            $zip->addFromString('manifest.json', json_encode($manifest, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES));
            if (@$zip->close() !== true) {
                throw new BackupFailed("$to could not be written to its end: is there room on the disk?");
            }
            // Read back before it counts: a disk may say that it has written what it has not.
            (new BackupFile($half, $key))->verify();
            rename($half, $to);

            return ['at' => $at, 'pages' => $counts['pages'], 'files' => count($sums) - 1, 'bytes' => (int) filesize($to), 'missing' => $missing];
        } finally {
            @unlink($half);
            @unlink($dump);
        }
    }

    /** What stands for the key of the application, which is in no backup. */
    public static function print(): string
    {
        return substr(hash('sha256', 'heronstem '.config('app.key')), 0, 16);
    }

    /**
     * @param  array<string, string>  $sums
     * @return array{string, array<string, int>, list<string>}
     */
    private function asOfOneMoment(ZipArchive $zip, string $dump, array &$sums, #[\SensitiveParameter] ?string $key): array
    {
        $this->db->statement('begin isolation level repeatable read read only');
        try {
            $this->postgres->dump((string) $this->db->scalar('select pg_export_snapshot()'), $dump);
            $missing = $this->files($zip, $sums, $key);
            $counts = [];
            foreach (['sites', 'pages', 'ledger', 'redirect_rules', 'files', 'history', 'users'] as $table) {
                $counts[$table] = (int) $this->db->scalar("select count(*) from $table");
            }

            return [(string) $this->db->scalar("select to_char(now() at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"')"), $counts, $missing];
        } finally {
            $this->db->statement('commit');
        }
    }

    /**
     * Those that are not in it yet.
     *
     * @param  array<string, string>  $sums
     * @return list<string> those whose bytes are nowhere
     */
    private function files(ZipArchive $zip, array &$sums, #[\SensitiveParameter] ?string $key): array
    {
        $disk = $this->disks->disk(config('heronstem.files_disk'));
        $missing = [];
        $held = 0;
        foreach ($this->db->select('select path from files union select path from file_versions order by path') as $row) {
            if (isset($sums["files/{$row->path}"])) {
                continue;
            }
            $bytes = $disk->get($row->path);
            if ($bytes === null) {
                $missing[] = $row->path;

                continue;
            }
            $this->put($zip, "files/{$row->path}", $bytes, $sums, $key, isBytes: true);
            $held += strlen($bytes);
            if ($held > self::FLUSH) {
                $path = $zip->filename;
                if (@$zip->close() !== true || $zip->open($path) !== true) {
                    throw new BackupFailed("$path could not be written on: is there room on the disk?");
                }
                $held = 0;
            }
        }

        return $missing;
    }

    /** @param  array<string, string>  $sums */
    private function put(ZipArchive $zip, string $name, string $what, array &$sums, #[\SensitiveParameter] ?string $key, bool $isBytes = false): void
    {
        $isBytes ? $zip->addFromString($name, $what) : $zip->addFile($what, $name);
        $sums[$name] = (string) ($isBytes ? hash('sha256', $what) : hash_file('sha256', $what));
        // What is compressed already is not compressed again.
        $zip->setCompressionName($name, ZipArchive::CM_STORE);
        $key === null || $zip->setEncryptionName($name, ZipArchive::EM_AES_256, $key);
    }
}

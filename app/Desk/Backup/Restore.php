<?php

declare(strict_types=1);

namespace App\Desk\Backup;

use App\Desk\Files\FileDisk;
use Illuminate\Database\DatabaseManager;
use Symfony\Component\Process\Process;

/** Brings a backup into a new database first, looks whether everything holds there, and only then puts it in the place of the one in use. */
final readonly class Restore
{
    public function __construct(private DatabaseManager $databases, private FileDisk $disk, private Postgres $postgres)
    {
    }

    /**
     * Into a database of its own. Files are put where they were: each has a name that no other ever has.
     *
     * @return array{at: string, counts: array<string, int>, keyIsOther: bool}
     *
     * @throws BackupFailed saying what is wrong with it; nothing of what is in use has changed then
     */
    public function into(BackupFile $backup, string $database): array
    {
        $manifest = $backup->manifest();
        $backup->verify();
        $this->postgres->create($database);
        try {
            $dump = (string) tempnam(sys_get_temp_dir(), 'heronstem-dump');
            file_put_contents($dump, $backup->stream('database.dump'));
            $this->postgres->restore($dump, $database);
            unlink($dump);
            $this->look($manifest, $database);
        } catch (\Throwable $no) {
            $this->postgres->drop($database);
            throw $no;
        }
        foreach (array_keys($manifest['sha256']) as $name) {
            if (str_starts_with($name, 'files/')) {
                $this->disk->put(substr($name, 6), $backup->stream($name));
            }
        }

        return ['at' => $manifest['at'], 'counts' => $manifest['counts'], 'keyIsOther' => $manifest['key'] !== BackUp::print()];
    }

    /** @return string the name under which what was in use is kept */
    public function switch(string $restored): string
    {
        $current = $this->postgres->database();
        $kept = substr($current, 0, 40).'_before_'.gmdate('YmdHis');
        $this->databases->purge();
        $this->postgres->switch($restored, $current, $kept);

        return $kept;
    }

    /** @param  array{counts: array<string, int>}  $manifest */
    private function look(array $manifest, string $database): void
    {
        foreach ($manifest['counts'] as $table => $count) {
            $found = $this->postgres->count($database, $table);
            if ($found !== $count) {
                throw new BackupFailed("There are $found rows of $table where $count were kept.");
            }
        }
        // In a process of its own, which knows no other database.
        $check = new Process(
            [PHP_BINARY, base_path('artisan'), 'heronstem:check', '--json'],
            env: ['DB_DATABASE' => $database, 'APP_CONFIG_CACHE' => false],
            timeout: null,
        );
        $check->run();
        $said = json_decode($check->getOutput(), true);
        $broken = is_array($said) ? $said['violations'][0] ?? null : null;
        if ($broken !== null) {
            throw new BackupFailed("The check found something broken on {$broken['site']}: {$broken['invariant']}, {$broken['what']}");
        }
        if (! $check->isSuccessful() && $manifest['counts']['sites'] > 0) {
            throw new BackupFailed('The check could not look at it: '.mb_substr(trim($check->getErrorOutput().$check->getOutput()), 0, 300));
        }
    }
}

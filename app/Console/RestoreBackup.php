<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Backup\BackupFailed;
use App\Desk\Backup\BackupFile;
use App\Desk\Backup\Postgres;
use App\Desk\Backup\Restore;
use Illuminate\Console\Command;

final class RestoreBackup extends Command
{
    use ReadsKeyFile;

    protected $signature = 'heronstem:restore
        {from : The file of a backup}
        {--key-file= : The file whose first line it was encrypted with}
        {--database= : Name of the database to make for it; by the moment where none is said}
        {--switch : Put it in the place of the database in use once it has been looked through}';

    protected $description = 'Restore a backup into a database of its own, look it through, and put it in use where that is said';

    public function handle(Restore $restore, Postgres $postgres): int
    {
        $database = $this->option('database');
        $database = is_string($database) && $database !== '' ? $database : substr($postgres->database(), 0, 40).'_restored_'.gmdate('YmdHis');
        try {
            $done = $restore->into(new BackupFile((string) $this->argument('from'), $this->keyOf($this->option('key-file'))), $database);
            $this->line(
                "Restored as of {$done['at']} into the database $database: {$done['counts']['pages']} pages. Every part is as it was written, and the check found nothing broken.",
            );
            if ($done['keyIsOther']) {
                $this->warn(
                    'It was made with another APP_KEY. Second steps of signing in and links that were sent do not work until that key is set again.',
                );
            }
            if ($this->option('switch') !== true) {
                $this->line('Nothing in use has changed. Run it again with --switch, or set DB_DATABASE, to use it.');

                return self::SUCCESS;
            }
            $kept = $restore->switch($database);
            $this->line("It is in use now. What was in use before is kept as the database $kept.");
        } catch (BackupFailed|\PDOException $no) {
            $this->error($no->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}

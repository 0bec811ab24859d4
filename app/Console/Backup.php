<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Backup\BackUp as MakeBackup;
use App\Desk\Backup\BackupFailed;
use App\Desk\Backup\ThinBackups;
use Illuminate\Console\Command;

final class Backup extends Command
{
    use ReadsKeyFile;

    protected $signature = 'heronstem:backup
        {to : A file to make, or a folder in which one is made by its date and old ones are thinned}
        {--key-file= : A file whose first line encrypts it}
        {--keep-all : Thin none}';

    protected $description = 'Back up database and files as of one moment, into one file';

    public function handle(MakeBackup $backup): int
    {
        $to = (string) $this->argument('to');
        $folder = is_dir($to) ? rtrim($to, '/') : null;
        try {
            $made = $backup->make($folder === null ? $to : "$folder/".ThinBackups::name(time()), $this->keyOf($this->option('key-file')));
        } catch (BackupFailed $no) {
            $this->error($no->getMessage());

            return self::FAILURE;
        }
        $this->line(
            sprintf(
                'Backed up as of %s: %d pages, %d files, %.1f MB. Read back, and right.',
                $made['at'],
                $made['pages'],
                $made['files'],
                $made['bytes'] / 1048576,
            ),
        );
        foreach ($made['missing'] as $path) {
            $this->warn("The bytes of $path are nowhere; its entry is kept.");
        }
        $goes =
            $folder === null || $this->option('keep-all') === true
                ? []
                : ThinBackups::goes(array_map(basename(...), glob("$folder/*") ?: []), time());
        foreach ($goes as $old) {
            unlink("$folder/$old");
            $this->line("Removed $old.");
        }

        return self::SUCCESS;
    }
}

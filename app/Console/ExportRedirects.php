<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\ExportRedirects as Export;
use App\Desk\RedirectFormat;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** The redirects of a site as a file, for whoever gives them to a web server from time to time. */
final class ExportRedirects extends Command
{
    use NamesSite;

    protected $signature = 'heronstem:export {format : csv, jsonl, nginx-maps, nginx-server, apache-map or apache-rules} {--site= : key of the site} {--map= : where Apache finds the table}';

    protected $description = 'Write the redirects of a site as a file';

    public function handle(Export $export): int
    {
        $site = $this->site();
        if ($site === null) {
            return self::FAILURE;
        }
        $format = RedirectFormat::tryFrom((string) $this->argument('format'));
        if ($format === null) {
            $this->error('A format is one of '.RedirectFormat::names().'.');

            return self::FAILURE;
        }
        $map = $this->option('map');
        $pieces = $export->pieces($site, $format, ...is_string($map) && $map !== '' ? [$map] : []);
        foreach ($pieces as $piece) {
            $this->output->write($piece, false, OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}

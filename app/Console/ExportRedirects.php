<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\ExportRedirects as Export;
use Heronstem\Core\Interchange\Server\ApacheRules;
use Heronstem\Core\Interchange\Server\NginxRules;
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
        $kept = $export->kept($site);
        $map = $this->option('map');
        $pieces = match ($this->argument('format')) {
            'csv' => $export->csv($site), 'jsonl' => $export->jsonLines($site), 'nginx-maps' => [$export->nginx($site)->maps($kept)], 'nginx-server' => [NginxRules::server()],
            'apache-map' => [$export->apache($site)->map($kept)], 'apache-rules' => [$export->apache($site)->rules(is_string($map) && $map !== '' ? $map : ApacheRules::MAP, $kept)], default => null,
        };
        if ($pieces === null) {
            $this->error('A format is one of csv, jsonl, nginx-maps, nginx-server, apache-map, apache-rules.');

            return self::FAILURE;
        }
        foreach ($pieces as $piece) {
            $this->output->write($piece, false, OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}

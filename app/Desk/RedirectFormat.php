<?php

declare(strict_types=1);

namespace App\Desk;

/** The files that the redirects of a site go out as. */
enum RedirectFormat: string
{
    case Csv = 'csv';
    case JsonLines = 'jsonl';
    case NginxMaps = 'nginx-maps';
    case NginxServer = 'nginx-server';
    case ApacheMap = 'apache-map';
    case ApacheRules = 'apache-rules';

    /** @return string their names, with commas between */
    public static function names(): string
    {
        return implode(', ', array_column(self::cases(), 'value'));
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Csv => 'text/csv; charset=utf-8',
            self::JsonLines => 'application/x-ndjson',
            default => 'text/plain; charset=utf-8',
        };
    }

    /** @param  string  $site  its key */
    public function fileName(string $site): string
    {
        return "redirects-$site".
            match ($this) {
                self::Csv => '.csv',
                self::JsonLines => '.jsonl',
                self::NginxMaps => '-maps.conf',
                self::NginxServer => '-server.conf',
                self::ApacheMap => '.map',
                self::ApacheRules => '-apache.conf',
            };
    }
}

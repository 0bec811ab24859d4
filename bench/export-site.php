<?php

declare(strict_types=1);

use App\Desk\TakeOut\SiteFormat;
use App\Desk\TakeOut\TakeOut;
use App\Models\Site;
use Illuminate\Support\Facades\DB;

// A site of 100,000 pages taken out as a site file, against pg_dump of the tables that it is in.
require __DIR__.'/boot.inc';
$site = Site::query()->where('key', getenv('SITE') ?: 'large-100000')->firstOrFail();
$time = static function (callable $work): float {
    $began = hrtime(true);
    $work();

    return (hrtime(true) - $began) / 1e9;
};
$connection = config('database.connections.pgsql');
$tables = ['pages', 'ledger', 'page_contents', 'redirect_rules', 'menus', 'menu_entries', 'tags', 'page_tags'];
$known = array_column(DB::select("select tablename from pg_tables where schemaname = 'public'"), 'tablename');
$said = static fn (string $name): string => escapeshellarg((string) $connection[$name]);
$chosen = implode(' ', array_map(static fn (string $table): string => "-t $table", array_intersect($tables, $known)));
$dump = "PGPASSWORD={$said('password')} pg_dump -h {$said('host')} -p {$said('port')} -U {$said('username')}";
$dump .= " --data-only $chosen {$said('database')} > /dev/null 2>&1";
foreach ([SiteFormat::Json, SiteFormat::Csv, SiteFormat::Opml] as $format) {
    $ours = $dumps = [];
    $before = memory_get_usage();
    memory_reset_peak_usage();
    for ($round = 0; $round < 3; $round++) {
        $bytes = 0;
        $ours[] = $time(static function () use ($site, $format, &$bytes): void {
            foreach (app(TakeOut::class)->pieces($site, $format) as $piece) {
                $bytes += strlen($piece);
            }
        });
        $dumps[] = $time(static function () use ($dump): void {
            exec($dump, result_code: $code);
            $code === 0 || throw new RuntimeException('pg_dump failed.');
        });
    }
    sort($ours);
    sort($dumps);
    printf("export-site as %s: %.1f s for %.0f MB, pg_dump %.1f s, ratio %.2f; %.0f MB beside\n", $format->value, $ours[1], $bytes / 1e6, $dumps[1], $ours[1] / $dumps[1], (memory_get_peak_usage() - $before) / 1048576);
}

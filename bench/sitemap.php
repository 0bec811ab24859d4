<?php

declare(strict_types=1);

use App\Desk\WriteSitemap;
use App\Models\Site;
use Bench\Measure;
use Illuminate\Support\Facades\DB;

// A sitemap of 100,000 addresses, all its parts, against copying the rows that it is made of out of the database.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$sitemap = $app->make(WriteSitemap::class);
$copy = static fn () => DB::connection()->getPdo()->pgsqlCopyToArray('(select address, updated_at from pages where site_id = '.$site->id." and state = 'live' and listed)");
$whole = static function () use ($sitemap, $site): int {
    $bytes = 0;
    for ($part = 1; ($pieces = $sitemap->pieces($site, $part)) !== null; $part++) {
        foreach ($pieces as $piece) {
            $bytes += strlen($piece);
        }
    }

    return $bytes;
};
memory_reset_peak_usage();
printf("%-28s %.1f MB written, %d MB held\n", 'sitemap', $whole() / 1e6, memory_get_peak_usage() / 1048576);
Measure::compare('sitemap / copying the rows', $whole, $copy, 1);

<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Site;
use Heronstem\Core\Address\Host;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class Origins extends Command
{
    protected $signature = 'heronstem:origins {origin* : KEY=URL, where a site is reached}';

    protected $description = 'Set where sites are reached: scheme, host and port';

    public function handle(): int
    {
        return DB::transaction(function (): int {
            $origins = [];
            foreach ((array) $this->argument('origin') as $pair) {
                if (preg_match('#^([a-z0-9-]+)=(https?)://([^/\s?\#]+)$#D', (string) $pair, $found) !== 1) {
                    $this->error("\"$pair\" is not KEY=http(s)://HOST.");

                    return self::FAILURE;
                }
                $origins[$found[1]] = $found[2].'://'.Host::of($found[3])->authority();
            }
            $former = Site::query()
                ->whereIn('key', array_keys($origins))
                ->pluck('origin', 'key');
            // In two steps, since two sites may trade places.
            Site::query()
                ->whereIn('key', array_keys($origins))
                ->update(['origin' => DB::raw("'moving:' || key")]);
            foreach ($origins as $key => $origin) {
                // Canonical addresses that were written out with the former one go along.
                DB::update(
                    "update pages p set search = jsonb_set(p.search, '{canonical}', to_jsonb(replace(p.search->>'canonical', ? || '/', ? || '/')))
                    from sites s where s.id = p.site_id and s.key = ? and p.search->>'canonical' like ? || '/%'",
                    [$former[$key] ?? '', $origin, $key, $former[$key] ?? ''],
                );
                Site::query()
                    ->where('key', $key)
                    ->update(['origin' => $origin]);
            }

            return self::SUCCESS;
        });
    }
}

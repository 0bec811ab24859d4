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
            // In two steps, since two sites may trade places.
            Site::query()
                ->whereIn('key', array_keys($origins))
                ->update(['origin' => DB::raw("'moving:' || key")]);
            foreach ($origins as $key => $origin) {
                Site::query()
                    ->where('key', $key)
                    ->update(['origin' => $origin]);
            }

            return self::SUCCESS;
        });
    }
}

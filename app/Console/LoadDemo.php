<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Demo\GenerateLargeSite;
use App\Desk\Demo\LoadDemoSite;
use App\Desk\Demo\TellFindability;
use App\Models\Site;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;

final class LoadDemo extends Command
{
    protected $signature = 'heronstem:load-demo {--pages= : also make a large site of so many pages}';

    protected $description = 'Load the demo sites, where they are not there yet';

    public function handle(LoadDemoSite $load, GenerateLargeSite $large, TellFindability $findability, ConnectionInterface $db): int
    {
        foreach (['ferries', 'boatyard'] as $key) {
            if (! Site::query()->where('key', $key)->exists()) {
                $load->load(database_path("demo/$key"), $key);
                $findability->tell(Site::query()->where('key', $key)->firstOrFail());
                $this->line("Loaded $key.");
            }
        }
        $pages = (int) $this->option('pages');
        if (
            $pages > 0 &&
            ! Site::query()
                ->where('key', "large-$pages")
                ->exists()
        ) {
            $large->generate("large-$pages", $pages);
            $this->line("Made large-$pages.");
        }
        // Everything came at once: until the database counts its rows, it reads them in the order of an empty one.
        $db->statement('analyze');

        return self::SUCCESS;
    }
}

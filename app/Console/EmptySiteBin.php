<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Sites\RemoveSite;
use Illuminate\Console\Command;

final class EmptySiteBin extends Command
{
    protected $signature = 'heronstem:empty-site-bin';

    protected $description = 'Delete for good the sites that were in the bin long enough';

    public function handle(RemoveSite $remove): int
    {
        $done = $remove->empty();
        if ($done > 0) {
            $this->line("Deleted for good: $done");
        }

        return self::SUCCESS;
    }
}

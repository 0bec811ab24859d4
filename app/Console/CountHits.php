<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\CountHits as Counting;
use Illuminate\Console\Command;

final class CountHits extends Command
{
    protected $signature = 'heronstem:count-hits';

    protected $description = 'Count the redirects that were used and the addresses that were missed since the last time';

    public function handle(Counting $hits): int
    {
        $hits->count();

        return self::SUCCESS;
    }
}

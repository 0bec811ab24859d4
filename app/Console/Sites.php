<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Site;
use Illuminate\Console\Command;

final class Sites extends Command
{
    protected $signature = 'heronstem:sites';

    protected $description = 'List the keys of the sites';

    public function handle(): int
    {
        foreach (Site::query()->orderBy('id')->pluck('key') as $key) {
            $this->line((string) $key);
        }

        return self::SUCCESS;
    }
}

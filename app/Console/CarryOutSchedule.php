<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\ApplyChanges;
use App\Models\Site;
use Illuminate\Console\Command;

final class CarryOutSchedule extends Command
{
    protected $signature = 'heronstem:carry-out-schedule';

    protected $description = 'Put pages live and take them offline whose moment has come';

    public function handle(ApplyChanges $apply): int
    {
        foreach (Site::query()->orderBy('id')->get() as $site) {
            $done = $apply->carryOutSchedule($site);
            if ($done > 0) {
                $this->line("{$site->name}: $done");
            }
        }

        return self::SUCCESS;
    }
}

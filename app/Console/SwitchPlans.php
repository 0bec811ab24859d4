<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Plans\SwitchPlan;
use Illuminate\Console\Command;

final class SwitchPlans extends Command
{
    protected $signature = 'heronstem:switch-plans';

    protected $description = 'Switch on the plans whose moment has come';

    public function handle(SwitchPlan $switch): int
    {
        $done = $switch->carryOutDue();
        if ($done > 0) {
            $this->line("Switched on $done");
        }

        return self::SUCCESS;
    }
}

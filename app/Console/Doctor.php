<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Watch\ReadyNode;
use App\Desk\Watch\RunningNode;
use Illuminate\Console\Command;

final class Doctor extends Command
{
    protected $signature = 'heronstem:doctor';

    protected $description = 'Look at everything that is needed; exits 1 when something is wrong, and says how to mend it';

    public function handle(ReadyNode $ready, RunningNode $running): int
    {
        $problems = $ready->problems();
        // What runs beside is told by the database.
        $problems += $problems['database'] === null ? $running->problems() : [];
        foreach ($problems as $what => $problem) {
            $this->line($problem === null ? "ok     $what" : "wrong  $what: $problem");
        }

        return array_filter($problems) === [] ? self::SUCCESS : self::FAILURE;
    }
}

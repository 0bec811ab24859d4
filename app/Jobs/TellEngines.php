<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Outside\TellEngines as Telling;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Tells search engines of what changed since the last time, and sends again what they could not take. */
final class TellEngines implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    /** Seconds after which a job that never ran no longer keeps another from being queued. */
    public int $uniqueFor = 60;

    public function __construct()
    {
        $this->onConnection(config('queue.worked_out'));
    }

    public function handle(Telling $engines): void
    {
        $engines->run();
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Outside\TryLinks;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Tries links to other sites that are due: a few at a time, so that nothing else in the queue waits long. */
final class TryOutsideLinks implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    /** Seconds after which a job that never ran no longer keeps another from being queued. */
    public int $uniqueFor = 60;

    public function __construct()
    {
        $this->onConnection(config('queue.worked_out'));
    }

    public function handle(TryLinks $links): void
    {
        $links->run();
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Audit\AuditSite;
use App\Models\Site;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Looks at the pages that are due. What was killed half-way goes on with what is left. */
final class AuditPages implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    /** Seconds after which a job that never ran no longer keeps another from being queued. */
    public int $uniqueFor = 60;

    public function __construct(public readonly int $siteId)
    {
        $this->onConnection(config('queue.worked_out'));
    }

    public function uniqueId(): string
    {
        return (string) $this->siteId;
    }

    public function handle(AuditSite $audit): void
    {
        $site = Site::query()->find($this->siteId);
        if ($site !== null) {
            $audit->run($site);
        }
    }
}

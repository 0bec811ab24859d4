<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\BringIn\GiveSource;
use App\Models\SiteImport;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Reads something large that was given to be brought in. */
final class ReadGiven implements ShouldQueue
{
    use Queueable;

    public int $timeout = 3600;

    public int $tries = 2;

    public function __construct(public readonly int $import)
    {
    }

    public function handle(GiveSource $give): void
    {
        $import = SiteImport::query()->find($this->import);
        if ($import !== null && $import->state === 'reading') {
            $give->read($import);
        }
    }

    public function failed(?\Throwable $error): void
    {
        SiteImport::query()
            ->whereKey($this->import)
            ->where('state', 'reading')
            ->update(['state' => 'failed', 'problem' => 'Reading it stopped by a fault. Give it again, or in parts.']);
    }
}

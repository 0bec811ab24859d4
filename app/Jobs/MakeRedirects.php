<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\ImportRedirects;
use App\Models\RedirectImport;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes the redirects of a large file, a piece at a time. Interrupted, it goes on where it was when it is run again. */
final class MakeRedirects implements ShouldQueue
{
    use Queueable;

    public int $timeout = 3600;

    public int $tries = 5;

    public function __construct(public readonly int $import)
    {
    }

    public function handle(ImportRedirects $redirects): void
    {
        $import = RedirectImport::query()->find($this->import);
        if ($import !== null) {
            $redirects->goOn($import);
        }
    }

    public function failed(?\Throwable $error): void
    {
        RedirectImport::query()
            ->whereKey($this->import)
            ->whereIn('state', ['waiting', 'running'])
            ->update(['state' => 'failed', 'problem' => 'It stopped by a fault. What was made stays; bring the file in again for the rest.']);
    }
}

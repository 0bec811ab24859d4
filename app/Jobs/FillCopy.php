<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\BringIn\ApplySource;
use App\Desk\BringIn\GiveSource;
use App\Models\SiteImport;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Fills a new site with what was kept of the one that it is a copy of. */
final class FillCopy implements ShouldQueue
{
    use Queueable;

    public int $timeout = 3600;

    public int $tries = 1;

    public function __construct(public readonly int $import, public readonly int $user)
    {
    }

    public function handle(GiveSource $give, ApplySource $apply): void
    {
        $import = SiteImport::query()->find($this->import);
        $user = User::query()->find($this->user);
        if ($import === null || $user === null) {
            return;
        }
        $give->read($import);
        if ($import->refresh()->state === 'ready') {
            $import->update(['state' => 'applying']);
            $apply->goOn($import, $user, [], null, $import->name);
        }
    }

    public function failed(?\Throwable $error): void
    {
        SiteImport::query()
            ->whereKey($this->import)
            ->whereIn('state', ['reading', 'applying'])
            ->update(['state' => 'failed', 'problem' => 'Copying stopped by a fault; nothing of it was made. Take the other site out as a site file and bring it in here.']);
    }
}

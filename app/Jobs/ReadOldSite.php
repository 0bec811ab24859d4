<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\BringIn\CrawlSite;
use App\Desk\BringIn\GiveSource;
use App\Models\SiteImport;
use Heronstem\Core\InputRefused;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Reads the living old site, and then what was read. */
final class ReadOldSite implements ShouldQueue
{
    use Queueable;

    public int $timeout = 14_400;

    public int $tries = 1;

    public function __construct(public readonly int $import, public readonly string $address)
    {
    }

    public function handle(CrawlSite $crawl, GiveSource $give): void
    {
        $import = SiteImport::query()->find($this->import);
        if ($import === null || $import->state !== 'reading') {
            return;
        }
        try {
            $crawl->read($import, $this->address);
            $give->read($import);
        } catch (InputRefused $no) {
            SiteImport::query()->whereKey($import->id)->where('state', 'reading')->update(['state' => 'failed', 'problem' => $no->reason]);
        }
    }

    public function failed(?\Throwable $error): void
    {
        SiteImport::query()->whereKey($this->import)->where('state', 'reading')->update(['state' => 'failed', 'problem' => 'Reading that site stopped by a fault. Try again later, or give saved pages.']);
    }
}

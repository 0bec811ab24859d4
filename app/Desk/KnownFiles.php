<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\ChangeRefused;

/** Sees to it that pointers and downloads lead to files of their site. */
final class KnownFiles
{
    /** @throws ChangeRefused */
    public function guard(Batch $batch, Site $site): void
    {
        foreach ($batch->changes as $i => $change) {
            $file = $change->toArray()['leadsTo']['file'] ?? null;
            if ($file !== null && ! File::query()->where('site_id', $site->id)->where('ulid', $file)->exists()) {
                throw new ChangeRefused("changes.$i.leadsTo", 'There is no such file on this site. Upload it first.');
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\NamesFiles;
use Heronstem\Core\InputRefused;

/** Sees to it that pointers, downloads and menu entries lead to files of their site. */
final class KnownFiles
{
    /** @throws InputRefused */
    public function guard(Batch $batch, Site $site): void
    {
        foreach ($batch->changes as $i => $change) {
            foreach ($change instanceof NamesFiles ? $change->filesNamed() : [] as $field => $file) {
                if (! File::query()->where('site_id', $site->id)->where('ulid', $file)->exists()) {
                    throw new InputRefused("changes.$i.$field", 'There is no such file on this site. Upload it first.');
                }
            }
        }
    }
}

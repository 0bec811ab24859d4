<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\File;
use App\Store\Renditions;
use Illuminate\Contracts\Filesystem\Factory as Disks;

/** The bytes of files, as they were taken in or in fewer pixels. */
final readonly class ServeFile
{
    public function __construct(private Disks $disks, private Renditions $renditions)
    {
    }

    /** Null where they are missing from the store. */
    public function bytes(File $file): ?string
    {
        return $this->disks->disk(config('heronstem.files_disk'))->get($file->path);
    }

    /** Null where the name is none of a rendition. */
    public function rendition(File $file, string $name): ?string
    {
        return $this->renditions->at($file, $name);
    }
}

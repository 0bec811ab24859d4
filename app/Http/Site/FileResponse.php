<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\File;
use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Http\Response;

/** A file people uploaded. Its address holds its identity, so it never changes and may be kept for good. */
final readonly class FileResponse
{
    public function __construct(private Disks $disks)
    {
    }

    public function of(File $file): Response
    {
        $bytes = $this->disks->disk(config('heronstem.files_disk'))->get($file->path);
        abort_if($bytes === null, 404, 'The file is missing from the store.');

        return new Response($bytes, 200, [
            'Content-Type' => $file->mime,
            'Cache-Control' => 'public, max-age=31536000, immutable',
            'Content-Disposition' => 'inline',
        ]);
    }
}

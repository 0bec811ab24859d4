<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\File;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A file in the editor: for the people of its site alone, and kept by no cache that others share. */
final readonly class EditorFile
{
    public function __construct(private FileResponse $files)
    {
    }

    public function __invoke(Request $request, File $file): Response
    {
        $response = $this->files->of($file, $request);
        $response->headers->set('Cache-Control', 'private, max-age=31536000, immutable');

        return $response;
    }
}

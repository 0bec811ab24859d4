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

    public function __invoke(Request $request, File $file, string $name): Response
    {
        $response = $this->files->of($file, $request, $name, any: true);
        $response->headers->set('Cache-Control', str_replace('public', 'private', (string) $response->headers->get('Cache-Control')));

        return $response;
    }
}

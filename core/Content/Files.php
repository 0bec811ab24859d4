<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Port: the files that documents show and offer. */
interface Files
{
    /** Null where it is none, or no picture. */
    public function picture(string $file): ?PictureFile;

    public function file(string $file): ?OfferedFile;

    /** @return list<array{file: string, alt: string, caption: string}> the pictures of a folder by name, each with its own texts */
    public function inFolder(string $folder): array;
}

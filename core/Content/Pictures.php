<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Port: the pictures that documents show. */
interface Pictures
{
    public function picture(string $file): ?PictureFile;
}

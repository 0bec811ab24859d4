<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** A picture as the site serves it. */
final readonly class PictureFile
{
    /**
     * @param  int  $width  px
     * @param  int  $height  px
     */
    public function __construct(public string $address, public int $width, public int $height)
    {
    }
}

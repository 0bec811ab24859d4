<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** A picture among a page's content. */
final readonly class Picture
{
    /**
     * @param  int  $bytes  of the file as visitors fetch it
     * @param  int  $width  px
     * @param  int  $height  px
     */
    public function __construct(public string $alt, public int $bytes, public int $width, public int $height)
    {
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** A film that another site shows, as that site has answered by oEmbed. */
final readonly class Film
{
    /**
     * @param  string  $frame  the address that plays it, for a frame
     * @param  int  $width  px
     * @param  int  $height  px
     */
    public function __construct(public string $frame, public int $width, public int $height)
    {
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** A picture as the site serves it. */
final readonly class PictureFile
{
    /**
     * @param  int  $width  px
     * @param  int  $height  px
     * @param  array<int, string>  $narrower  the same in fewer pixels, address by width
     */
    public function __construct(public string $address, public int $width, public int $height, public array $narrower = [])
    {
    }

    /** For `srcset` (HTML, 4.8.4.2); nothing where there is only one. */
    public function srcset(): string
    {
        return implode(
            ', ',
            array_map(static fn (string $address, int $width): string => "$address {$width}w", $this->narrower, array_keys($this->narrower)),
        );
    }
}

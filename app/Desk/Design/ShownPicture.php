<?php

declare(strict_types=1);

namespace App\Desk\Design;

use Heronstem\Core\Content\PictureFile;

/** A picture of a field as a template shows it, cropped where the layout says so. */
final readonly class ShownPicture
{
    /**
     * @param  int  $width  px, of what is seen
     * @param  int  $height  px, of what is seen
     * @param  string  $classes  `crop` where it is cropped, and which part stays in sight: `focus-x-0` … `focus-x-100`, in tens
     */
    private function __construct(public string $address, public string $alt, public int $width, public int $height, public string $classes)
    {
    }

    /** @param  array<mixed>  $value  alternative text and focus */
    public static function of(PictureFile $picture, array $value, ?float $proportions): self
    {
        $alt = is_string($value['alt'] ?? null) ? $value['alt'] : '';
        if ($proportions === null) {
            return new self($picture->address, $alt, $picture->width, $picture->height, '');
        }
        $width = min($picture->width, (int) round($picture->height * $proportions));
        $focus = is_array($value['focus'] ?? null) ? $value['focus'] : ['x' => 50, 'y' => 50];

        return new self(
            $picture->address,
            $alt,
            $width,
            (int) round($width / $proportions),
            sprintf('crop focus-x-%d focus-y-%d', 10 * round($focus['x'] / 10), 10 * round($focus['y'] / 10)),
        );
    }
}

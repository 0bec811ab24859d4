<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Store\StoredFiles;
use Heronstem\Core\Content\PictureFile;

/** A picture of a field as a template shows it, cropped where the layout says so. */
final readonly class ShownPicture
{
    private function __construct(public PictureFile $file, public string $alt)
    {
    }

    /** @param  array<mixed>  $value  the picture, its alternative text and the point that stays in sight */
    public static function of(array $value, ?float $proportions, StoredFiles $files): ?self
    {
        $id = (string) ($value['file'] ?? '');
        $focus = is_array($value['focus'] ?? null) ? $value['focus'] : $files->focus($id);
        $crop = $proportions === null ? null : ['proportions' => $proportions, 'x' => (int) $focus['x'], 'y' => (int) $focus['y']];
        $picture = $crop === null ? $files->picture($id) : $files->cropped($id, $crop);
        $alt = is_string($value['alt'] ?? null) ? $value['alt'] : $files->alt($id);

        return $picture === null ? null : new self($picture, $alt);
    }
}

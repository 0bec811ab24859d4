<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\File;
use Illuminate\Contracts\Filesystem\Factory as Disks;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\ImageManager;

/**
 * Pictures in the widths that screens need, as WebP, cropped where a layout says so: made when they are first asked for. Their
 * addresses are signed, so that nobody can have any others made.
 */
final readonly class Renditions
{
    private const WIDTHS = [320, 640, 960, 1280, 1920];

    private const QUALITY = 80;

    /** Kinds of which smaller ones are made: a drawing has no pixels, and a GIF may move. */
    private const KINDS = ['image/jpeg', 'image/png', 'image/webp'];

    public function __construct(private Disks $disks)
    {
    }

    /**
     * @param  array{proportions: float, x: int, y: int}|null  $crop  width by height, and the point that stays in sight (%)
     * @return array<int, string> address by width, px; none where there is nothing to gain
     */
    public static function of(File $file, ?array $crop = null): array
    {
        $widest = self::crop((int) $file->width, (int) $file->height, $crop)[0];
        $of = [];
        foreach (in_array($file->mime, self::KINDS, true) ? self::WIDTHS : [] as $width) {
            if ($width < $widest || ($crop !== null && $of === [])) {
                $of[min($width, $widest)] = self::address($file, min($width, $widest), $crop);
            }
        }
        if ($of !== []) {
            $of[min($widest, 2400)] ??= self::address($file, min($widest, 2400), $crop);
        }

        return $of;
    }

    /** @return string|null the bytes of what an address below the file's asks for; null where it asks for nothing that is signed */
    public function at(File $file, string $asked): ?string
    {
        if (preg_match('/^(w(\d{1,4})(?:-([\d.]{1,8})-(\d{1,3})-(\d{1,3}))?)-(\d{1,9})-([0-9a-f]{12})\.webp$/D', $asked, $of) !== 1) {
            return null;
        }
        [, $wanted, $width, $proportions, $x, $y, $number, $signed] = $of;
        if (! hash_equals(self::signature($file, $wanted, (int) $number), $signed) || (int) $number !== $file->number) {
            return null;
        }
        $disk = $this->disks->disk(config('heronstem.files_disk'));
        $path = "renditions/{$file->ulid}/$number-$wanted.webp";
        $made = $disk->get($path);
        if ($made === null) {
            $bytes = $disk->get($file->path);
            if ($bytes === null) {
                return null;
            }
            $crop = $proportions === '' ? null : ['proportions' => (float) $proportions, 'x' => (int) $x, 'y' => (int) $y];
            $made = self::make($bytes, (int) $width, $crop);
            // Without room it is made anew whenever it is asked for; half of it would be shown for good.
            $disk->put($path, $made) || $disk->delete($path);
        }

        return $made;
    }

    /** @param  array{proportions: float, x: int, y: int}|null  $crop */
    private static function make(string $bytes, int $width, ?array $crop): string
    {
        $image = (new ImageManager(new Driver()))->read($bytes);
        if ($crop !== null) {
            [$wide, $high] = self::crop($image->width(), $image->height(), $crop);
            $left = self::start($image->width(), $wide, $crop['x']);
            $image->crop($wide, $high, $left, self::start($image->height(), $high, $crop['y']));
        }

        return (string) $image->scaleDown($width)->toWebp(self::QUALITY);
    }

    /**
     * @param  array{proportions: float, x: int, y: int}|null  $crop
     * @return array{int, int} the largest part of a picture with the proportions, px
     */
    public static function crop(int $width, int $height, ?array $crop): array
    {
        if ($crop === null) {
            return [$width, $height];
        }
        $wide = min($width, (int) round($height * $crop['proportions']));

        return [max(1, $wide), max(1, min($height, (int) round($wide / $crop['proportions'])))];
    }

    /** Where the part begins, so that the point is as near its middle as the edges allow. */
    private static function start(int $whole, int $part, int $focus): int
    {
        return (int) max(0, min($whole - $part, round(($whole * $focus) / 100 - $part / 2)));
    }

    /** @param  array{proportions: float, x: int, y: int}|null  $crop */
    private static function address(File $file, int $width, ?array $crop): string
    {
        $wanted = "w$width".($crop === null ? '' : '-'.round($crop['proportions'], 4)."-{$crop['x']}-{$crop['y']}");

        return "/_files/{$file->ulid}/$wanted-{$file->number}-".self::signature($file, $wanted, $file->number).'.webp';
    }

    private static function signature(File $file, string $wanted, int $number): string
    {
        return substr(hash_hmac('sha256', "{$file->ulid} $wanted $number", (string) config('app.key')), 0, 12);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Content\CleanSvg;
use Heronstem\Core\Content\InvalidDocument;
use Illuminate\Validation\ValidationException;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\Exceptions\RuntimeException;
use Intervention\Image\ImageManager;

/** Takes in a picture: read and written anew, so that nothing but pixels is kept, and scaled to a sensible size; drawings are cleaned. */
final readonly class UploadPicture
{
    private const KINDS = ['image/jpeg' => 'jpg', 'image/png' => 'png', 'image/webp' => 'webp', 'image/gif' => 'gif'];

    public function __construct(private KeepFile $keep)
    {
    }

    /** @throws ValidationException when it is no picture that browsers show */
    public function upload(Site $site, ?User $user, string $name, string $bytes, string $folder = ''): File
    {
        return $this->keep->keep($site, $user, $this->take($name, $bytes), $folder);
    }

    /**
     * @param  string|null  $as  the type it is written in; null for its own
     *
     * @throws ValidationException when it is no picture that browsers show
     */
    public function take(string $name, string $bytes, ?string $as = null): TakenFile
    {
        $mime = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($bytes);
        if ($mime === 'image/svg+xml' || (str_ends_with(strtolower($name), '.svg') && str_contains($bytes, '<svg'))) {
            return $this->drawing($name, $bytes);
        }
        $ending = self::KINDS[$mime] ?? null;
        if ($ending === null) {
            throw ValidationException::withMessages(['picture' => "This file is no picture that can be shown ($mime). Use JPEG, PNG, WebP, GIF or SVG."]);
        }
        $this->guardPixels($mime, $bytes);
        try {
            $image = (new ImageManager(new Driver()))->read($bytes);
        } catch (RuntimeException) {
            throw ValidationException::withMessages([
                'picture' => 'This picture is damaged and cannot be read. Save it anew in the program it comes from.',
            ]);
        }
        $side = (int) config('heronstem.picture_side');
        $mime = $as !== null && isset(self::KINDS[$as]) ? $as : $mime;
        $encoded = (string) $image->scaleDown($side, $side)->encodeByMediaType($mime, quality: 84);

        return new TakenFile($name, 'picture', self::KINDS[$mime], $mime, $encoded, [$image->width(), $image->height()]);
    }

    private function drawing(string $name, string $bytes): TakenFile
    {
        try {
            $clean = CleanSvg::of($bytes);
        } catch (InvalidDocument $no) {
            throw ValidationException::withMessages(['picture' => $no->reason]);
        }

        return new TakenFile($name, 'drawing', 'svg', 'image/svg+xml', $clean['svg'], [$clean['width'], $clean['height']]);
    }

    /**
     * A small file may hold a huge picture: what it would take to read it is known from its head.
     *
     * @throws ValidationException
     */
    private function guardPixels(string $mime, string $bytes): void
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false) {
            throw ValidationException::withMessages([
                'picture' => 'This picture is damaged and cannot be read. Save it anew in the program it comes from.',
            ]);
        }
        $frames = $mime === 'image/gif' ? max(1, substr_count($bytes, "\x21\xF9\x04")) : 1;
        $most = (int) config('heronstem.picture_pixels');
        if ($most < $size[0] * $size[1] * $frames) {
            throw ValidationException::withMessages([
                'picture' => sprintf(
                    'This picture has %s × %s pixels%s; at most %d million are taken. Make it smaller first.',
                    number_format($size[0]),
                    number_format($size[1]),
                    $frames > 1 ? " in $frames frames" : '',
                    intdiv($most, 1_000_000),
                ),
            ]);
        }
    }
}

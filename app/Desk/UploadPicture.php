<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\Exceptions\RuntimeException;
use Intervention\Image\ImageManager;

/** Takes in a picture: read and written anew, so that nothing but pixels is kept, and scaled to a sensible size. */
final readonly class UploadPicture
{
    private const KINDS = ['image/jpeg' => 'jpg', 'image/png' => 'png', 'image/webp' => 'webp', 'image/gif' => 'gif'];

    public function __construct(private KeepFile $keep)
    {
    }

    /** @throws ValidationException when it is no picture that browsers show */
    public function upload(Site $site, ?User $user, string $name, string $bytes): File
    {
        $mime = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($bytes);
        $ending = self::KINDS[$mime] ?? null;
        if ($ending === null) {
            throw ValidationException::withMessages(['picture' => "This file is no picture that can be shown ($mime). Use JPEG, PNG, WebP or GIF."]);
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
        $encoded = (string) $image->scaleDown($side, $side)->encodeByMediaType($mime, quality: 84);

        return $this->keep->keep($site, $user, $name, 'picture', $ending, $mime, $encoded, [$image->width(), $image->height()]);
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

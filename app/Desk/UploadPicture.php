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
        try {
            $image = (new ImageManager(new Driver))->read($bytes);
        } catch (RuntimeException) {
            throw ValidationException::withMessages(['picture' => 'This picture is damaged and cannot be read. Save it anew in the program it comes from.']);
        }
        $side = (int) config('heronstem.picture_side');
        $encoded = (string) $image->scaleDown($side, $side)->encodeByMediaType($mime, quality: 84);

        return $this->keep->keep($site, $user, $name, 'picture', $ending, $mime, $encoded, [$image->width(), $image->height()]);
    }
}

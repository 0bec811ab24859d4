<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Support\Str;

/** Keeps a file that was taken in, under an identity of its own. */
final readonly class KeepFile
{
    public function __construct(private Disks $disks)
    {
    }

    /**
     * @param  string  $name  as it was called, of which what can stand in an address is kept
     * @param  string  $else  what it is called if nothing of that is left
     * @param  array{int, int}|null  $size  of a picture, px
     */
    public function keep(Site $site, ?User $user, string $name, string $else, string $ending, string $mime, string $bytes, ?array $size = null): File
    {
        $file = new File([
            'site_id' => $site->id,
            'user_id' => $user?->id,
            'mime' => $mime,
            'bytes' => strlen($bytes),
            'width' => $size[0] ?? null,
            'height' => $size[1] ?? null,
            'name' => (Str::slug(pathinfo($name, PATHINFO_FILENAME)) ?: $else).'.'.$ending,
        ]);
        $file->ulid = (string) Str::ulid();
        $file->path = "files/{$site->key}/{$file->ulid}.$ending";
        $this->disks->disk(config('heronstem.files_disk'))->put($file->path, $bytes);
        $file->save();

        return $file;
    }
}

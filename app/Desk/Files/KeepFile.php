<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Illuminate\Support\Str;

/** Keeps a file that was taken in, under an identity of its own. */
final readonly class KeepFile
{
    public function __construct(private FileDisk $disk)
    {
    }

    /** @param  string|null  $id  an identity that is known to be free; null for a new one */
    public function keep(Site $site, ?User $user, TakenFile $taken, string $folder = '', ?string $id = null): File
    {
        $file = new File(['site_id' => $site->id, 'user_id' => $user?->id, 'name' => self::nameOf($taken), 'folder' => $folder, 'number' => 1]);
        $file->ulid = $id ?? (string) Str::ulid();
        $file->fill($this->put($file, $taken))->save();

        return $file;
    }

    /** @return array<string, mixed> what is noted of the bytes, put where the file of this number has its place */
    public function put(File $file, TakenFile $taken): array
    {
        $path = "files/{$file->site->key}/{$file->ulid}".($file->number === 1 ? '' : "-{$file->number}").".{$taken->ending}";
        $this->disk->put($path, $taken->bytes);

        return [
            'path' => $path,
            'mime' => $taken->mime,
            'bytes' => strlen($taken->bytes),
            'width' => $taken->size[0] ?? null,
            'height' => $taken->size[1] ?? null,
        ];
    }

    private static function nameOf(TakenFile $taken): string
    {
        return (Str::slug(pathinfo($taken->name, PATHINFO_FILENAME)) ?: $taken->else).'.'.$taken->ending;
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Content\Files;
use Heronstem\Core\Content\OfferedFile;
use Heronstem\Core\Content\PictureFile;

/** The pictures and files that one page names, read in one query. */
final class StoredFiles implements Files
{
    /** @var array<string, File> */
    private array $files;

    /** @param  list<string>  $named  identities */
    public function __construct(array $named, private readonly Site $site)
    {
        MadeOf::files(...$named);
        $this->files = $named === [] ? [] : File::query()->where('site_id', $site->id)->whereIn('ulid', $named)->get()->keyBy('ulid')->all();
    }

    public function picture(string $file): ?PictureFile
    {
        $found = $this->files[$file] ?? null;

        return $found?->width === null ? null : new PictureFile($found->shownAt(), $found->width, (int) $found->height, Renditions::of($found));
    }

    /**
     * A picture cropped to proportions around a point.
     *
     * @param  array{proportions: float, x: int, y: int}  $crop
     */
    public function cropped(string $file, array $crop): ?PictureFile
    {
        $found = $this->files[$file] ?? null;
        if ($found?->width === null) {
            return null;
        }
        $of = Renditions::of($found, $crop);

        return new PictureFile(
            $of === [] ? $found->shownAt() : $of[max(array_keys($of))],
            ...[...Renditions::crop($found->width, (int) $found->height, $crop), $of],
        );
    }

    public function inFolder(string $folder): array
    {
        MadeOf::folders();
        $pictures = File::query()
            ->where('site_id', $this->site->id)
            ->where('folder', $folder)
            ->whereNotNull('width')
            ->whereNull('binned_at')
            ->orderBy('name')
            ->orderBy('id')
            ->limit(60)
            ->get();
        $shown = [];
        foreach ($pictures as $picture) {
            $this->files[$picture->ulid] = $picture;
            $shown[] = ['file' => $picture->ulid, 'alt' => $picture->alt, 'caption' => $picture->caption];
        }

        return $shown;
    }

    /** Its own alternative text, which stands where nothing nearer says one. */
    public function alt(string $file): string
    {
        return $this->files[$file]->alt ?? '';
    }

    /** @return array{x: int, y: int} the point of a picture that stays in sight where it is cropped, %; its middle where none was set */
    public function focus(string $file): array
    {
        $found = $this->files[$file] ?? null;

        return ['x' => $found->focus_x ?? 50, 'y' => $found->focus_y ?? 50];
    }

    public function file(string $file): ?OfferedFile
    {
        $found = $this->files[$file] ?? null;

        return $found === null ? null : new OfferedFile($found->address(), $found->name, $found->mime, $found->bytes);
    }
}

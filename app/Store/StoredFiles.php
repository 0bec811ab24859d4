<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Content\Files;
use Heronstem\Core\Content\OfferedFile;
use Heronstem\Core\Content\PictureFile;

/** The pictures and files that one page names, read in one query. */
final readonly class StoredFiles implements Files
{
    /** @var array<string, File> */
    private array $files;

    /** @param  list<string>  $named  identities */
    public function __construct(array $named, Site $site)
    {
        $this->files = $named === [] ? [] : File::query()->where('site_id', $site->id)->whereIn('ulid', $named)->get()->keyBy('ulid')->all();
    }

    public function picture(string $file): ?PictureFile
    {
        $found = $this->files[$file] ?? null;

        return $found?->width === null ? null : new PictureFile($found->address(), $found->width, (int) $found->height);
    }

    public function file(string $file): ?OfferedFile
    {
        $found = $this->files[$file] ?? null;

        return $found === null ? null : new OfferedFile($found->address(), $found->name, $found->mime, $found->bytes);
    }
}

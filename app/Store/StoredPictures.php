<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\PictureFile;
use Heronstem\Core\Content\Pictures;

/** The pictures of one document, read in one query. */
final readonly class StoredPictures implements Pictures
{
    /** @var array<string, File> */
    private array $files;

    public function __construct(Document $content, Site $site)
    {
        $pictures = $content->pictures();
        $this->files = $pictures === [] ? [] : File::query()->where('site_id', $site->id)->whereIn('ulid', $pictures)->get()->keyBy('ulid')->all();
    }

    public function picture(string $file): ?PictureFile
    {
        $found = $this->files[$file] ?? null;

        return $found === null ? null : new PictureFile($found->address(), (int) $found->width, (int) $found->height);
    }
}

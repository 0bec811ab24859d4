<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\KnownInFields;
use App\Desk\Design\PlacedLayouts;
use App\Desk\Design\ReadLayouts;
use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\NamesFiles;
use Heronstem\Core\Change\SetFieldDefaults;
use Heronstem\Core\InputRefused;

/** Sees to it that pointers, downloads, menu entries and fields name files of their site, and fields pages of it. */
final readonly class KnownFiles
{
    public function __construct(private KnownInFields $fields, private PlacedLayouts $layouts, private ReadLayouts $all)
    {
    }

    /** @throws InputRefused */
    public function guard(Batch $batch, Site $site): void
    {
        foreach ($batch->changes as $i => $change) {
            if ($change instanceof SetFieldDefaults) {
                $this->fields->guard($this->all->of($change->layout), $change->fields, $site, "changes.$i.fields");
            }
            $page = $change instanceof Describe && $change->fields !== [] ? $this->page($change->page, $site) : null;
            if ($page !== null && $change instanceof Describe) {
                $this->fields->guard($this->layouts->of($page, $change->layout), $change->fields, $site, "changes.$i.fields");
            }
            foreach ($change instanceof NamesFiles ? $change->filesNamed() : [] as $field => $file) {
                if (! File::query()->where('site_id', $site->id)->where('ulid', $file)->exists()) {
                    throw new InputRefused("changes.$i.$field", 'There is no such file on this site. Upload it first.');
                }
            }
        }
    }

    private function page(string $id, Site $site): ?Page
    {
        return Page::query()->where('site_id', $site->id)->where('ulid', $id)->first();
    }
}

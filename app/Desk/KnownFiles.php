<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;

/** Sees to it that pointers, downloads and menu entries lead to files of their site. */
final class KnownFiles
{
    /** @throws InputRefused */
    public function guard(Batch $batch, Site $site): void
    {
        foreach ($batch->changes as $i => $change) {
            $target = $change->toArray()['leadsTo']['file'] ?? null;
            foreach ($change instanceof ArrangeMenu ? self::inEntries($change->entries) : array_filter(['leadsTo' => $target]) as $field => $file) {
                if (! File::query()->where('site_id', $site->id)->where('ulid', $file)->exists()) {
                    throw new InputRefused("changes.$i.$field", 'There is no such file on this site. Upload it first.');
                }
            }
        }
    }

    /**
     * @param  list<Entry>  $entries  parents before what stands under them
     * @return array<string, string> files by the field that names them
     */
    private static function inEntries(array $entries): array
    {
        $at = $found = [];
        foreach ($entries as $entry) {
            $at[$entry->id] = ($entry->parent === null ? '' : $at[$entry->parent].'.')."entries.{$entry->position}";
            $found += array_filter(["{$at[$entry->id]}.file" => $entry->kind === EntryKind::File ? $entry->leadsTo?->value : null, "{$at[$entry->id]}.picture" => $entry->picture]);
        }

        return $found;
    }
}

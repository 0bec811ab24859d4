<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Below;

/** What a large change is called before it is done: by what it does, and the first page that it names. */
final class LargeTitle
{
    private const ACTS = [
        'move' => 'Moving',
        'rename' => 'Renaming',
        'put-in-bin' => 'Putting in the bin',
        'bring-back' => 'Bringing back',
        'delete-for-good' => 'Deleting for good',
        'duplicate' => 'Duplicating',
        'go-live' => 'Putting live',
        'take-offline' => 'Taking offline',
        'set-access' => 'Changing who sees',
        'set-address-rules' => 'Changing how addresses are written',
    ];

    public static function of(Batch $batch, Site $site): string
    {
        $undo = $batch->undoes()[0] ?? null;
        if ($undo !== null) {
            $sentence = (string) HistoryEntry::query()->where('site_id', $site->id)->where('ulid', $undo->entry)->value('sentence');

            return 'Undoing “'.str_replace('*', '', $sentence).'”';
        }
        $act = self::ACTS[$batch->changes[0]->kind()] ?? 'Changing the addresses of';
        $pages = Below::pages($batch);
        $name = $pages === [] ? '' : (string) Page::query()->where('site_id', $site->id)->where('ulid', $pages[0])->value('name');

        return trim("$act $name").(count($pages) > 1 ? ' and others' : '');
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change\TakeBack;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\ClaimDifference;
use Heronstem\Core\Structure\PageDifference;

/** The batch that takes a history entry back. */
final readonly class TakeBackEntry
{
    /** @throws ChangeRefused when it has been taken back already */
    public function batch(Site $site, HistoryEntry $entry): Batch
    {
        if ($entry->taken_back_by_id !== null) {
            throw new ChangeRefused('entry', 'This has been taken back already.');
        }
        $rules = $site->rules();

        return Batch::of(new TakeBack(
            $entry->ulid,
            array_map(PageDifference::fromArray(...), $entry->pages),
            array_map(static fn (array $row): ClaimDifference => ClaimDifference::fromArray($row, $rules), $entry->claims),
        ));
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Access\Right;

/** What somebody may do on each of some rows of pages, where that is not the same on the whole site. */
final readonly class RowRights
{
    /**
     * @param  list<\stdClass>  $rows  of pages, by `id`; each is told its `rights`
     */
    public function tell(array $rows, HeldRights $held, Site $site): void
    {
        if ($rows === [] || $held->rights->branches() === []) {
            return;
        }
        $paths = Page::query()->where('site_id', $site->id)->whereIn('ulid', array_column($rows, 'id'))->pluck('path', 'ulid');
        foreach ($rows as $row) {
            $row->rights = array_map(static fn (Right $right): string => $right->value, $held->allOn((string) ($paths[$row->id] ?? '')));
        }
    }
}

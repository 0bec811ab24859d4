<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Models\Site;
use App\Store\PgArray;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Below;
use Heronstem\Core\Change\Undo;
use Illuminate\Database\ConnectionInterface;

/** About how many pages a batch concerns, known without planning it. */
final readonly class SizeOfBatch
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function pages(Batch $batch, Site $site): int
    {
        if (Below::isWhole($batch)) {
            return (int) $this->db->selectOne('select count(*) as n from pages where site_id = ?', [$site->id])->n;
        }

        return max(count($batch->changes), $this->below(Below::pages($batch), $site) + $this->undone($batch, $site));
    }

    /** @param  list<string>  $pages */
    private function below(array $pages, Site $site): int
    {
        return $pages === []
            ? 0
            : (int) $this->db->selectOne(
                // Branch by branch, by the index of paths; of a branch within another the pages are counted once.
                'select count(distinct p.id) as n from pages top join pages p on p.site_id = top.site_id and p.path <@ top.path where top.site_id = ? and top.ulid = any(?::text[])',
                [$site->id, PgArray::of($pages)],
            )->n;
    }

    private function undone(Batch $batch, Site $site): int
    {
        $entries = array_map(static fn (Undo $undo): string => $undo->entry, array_values($batch->undoes()));

        return $entries === []
            ? 0
            : (int) $this->db->selectOne(
                'select coalesce(sum(cardinality(touched)), 0) as n from history where site_id = ? and ulid = any(?::text[])',
                [$site->id, PgArray::of($entries)],
            )->n;
    }
}

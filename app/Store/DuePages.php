<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\TakeOffline;
use Illuminate\Database\ConnectionInterface;

/** Pages whose moment to go live or offline has come. */
final readonly class DuePages
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<Change> in the order of their moments */
    public function changes(Site $site): array
    {
        $rows = $this->db->select(
            <<<'SQL'
            select ulid, state from pages where site_id = ? and (
                (state in ('draft', 'review', 'offline') and from_at <= now() and (until_at is null or until_at > now()))
                or (state = 'live' and until_at <= now())
            ) order by coalesce(from_at, until_at), id
            SQL
            ,
            [$site->id],
        );

        return array_values(
            array_map(static fn (\stdClass $row): Change => $row->state === 'live' ? new TakeOffline($row->ulid) : new GoLive($row->ulid), $rows),
        );
    }
}

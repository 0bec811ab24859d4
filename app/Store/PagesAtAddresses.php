<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Which pages have these addresses as their own, or answer there too. */
final readonly class PagesAtAddresses
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, string> page by key
     */
    public function pages(Site $site, array $keys): array
    {
        return $keys === []
            ? []
            : array_column(
                $this->db->select(
                    "select l.key, p.ulid from ledger l join pages p on p.id = l.page_id where l.site_id = ? and l.kind in ('page', 'also') and l.key = any(?::text[])",
                    [$site->id, PgArray::of($keys)],
                ),
                'ulid',
                'key',
            );
    }
}

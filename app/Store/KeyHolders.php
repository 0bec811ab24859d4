<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Who holds a key of the audit: what a page shares with others that say the same. */
final class KeyHolders
{
    /**
     * Three are enough to know that there are many, however many share a key.
     *
     * @param  list<string>  $keys
     * @return array<string, list<string>> up to three pages that hold each, by key; keys that nobody holds are left out
     */
    public static function of(ConnectionInterface $db, Site $site, array $keys): array
    {
        $holders = [];
        foreach (
            $keys === []
                ? []
                : $db->select(
                    'select n.key, p.ulid from unnest(?::text[]) as n(key), lateral (
                        select k.page_id from audit_keys k where k.site_id = ? and k.key = n.key and k.holds limit 3
                    ) h join pages p on p.id = h.page_id',
                    [PgArray::of(array_unique($keys)), $site->id],
                ) as $row
        ) {
            $holders[$row->key][] = $row->ulid;
        }

        return $holders;
    }
}

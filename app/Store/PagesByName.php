<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Finds the page that somebody means by its name. */
final readonly class PagesByName
{
    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    /** The only page of the tree with this name, letters' case aside; null where there is none, or more than one. */
    public function only(string $name): ?string
    {
        $rows = $this->db->select("select ulid from pages where site_id = ? and lower(name) = lower(?) and state <> 'bin' limit 2", [
            $this->site->id,
            $name,
        ]);

        return count($rows) === 1 ? $rows[0]->ulid : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Access\Branch;
use Illuminate\Database\ConnectionInterface;

/** The branch in which somebody writes, over PostgreSQL: one indexed range of paths. */
final readonly class StoredBranch implements Branch
{
    /** @param  int|null  $branch  key of the page at its top; null for the whole site */
    public function __construct(private ConnectionInterface $db, private Site $site, private ?int $branch)
    {
    }

    public function root(): ?string
    {
        return $this->branch === null ? null : $this->db->table('pages')->where('id', $this->branch)->value('ulid');
    }

    public function holds(array $pages): array
    {
        $rows = $this->db->select(
            'select p.ulid, coalesce(p.path <@ (select path from pages where id = ?), true) as inside from pages p where p.site_id = ? and p.ulid = any(?::text[])',
            [$this->branch, $this->site->id, PgArray::of($pages)],
        );

        return array_column($rows, 'inside', 'ulid');
    }

    public function childOrder(?string $parent): array
    {
        return (new StoredPages($this->db, $this->site))->childOrder($parent);
    }
}

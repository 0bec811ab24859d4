<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Access\Marks;
use Illuminate\Database\ConnectionInterface;

/** Where pages stand among the branches of which rights say something, over PostgreSQL: by paths, in one look. */
final readonly class StoredMarks implements Marks
{
    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    public function around(array $pages, array $branches): array
    {
        $ids = $this->db->table('pages')->where('site_id', $this->site->id)->whereIn('ulid', $branches)->pluck('ulid', 'id')->all();
        $rows = $this->db->select('select ulid, path::text from pages where site_id = ? and ulid = any(?::text[])', [
            $this->site->id,
            PgArray::of($pages),
        ]);
        $around = [];
        foreach ($rows as $row) {
            $around[$row->ulid] = self::along($row->path, $ids);
        }

        return $around;
    }

    /**
     * @param  array<int, string>  $branches  by the keys of their pages
     * @return list<string> those that a path leads through, nearest first
     */
    public static function along(string $path, array $branches): array
    {
        $around = [];
        foreach ($branches === [] ? [] : array_reverse(explode('.', $path)) as $id) {
            if (isset($branches[(int) $id])) {
                $around[] = $branches[(int) $id];
            }
        }

        return $around;
    }

    public function childOrder(?string $parent): array
    {
        return (new StoredPages($this->db, $this->site))->childOrder($parent);
    }
}

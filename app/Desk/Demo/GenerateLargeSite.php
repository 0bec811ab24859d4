<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Models\Membership;
use App\Models\Site;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;

/** A site of any size from a seeded generator: realistic depth and branching, one branch of 5,000 children. */
final readonly class GenerateLargeSite
{
    private const WORDS = [
        'harbour',
        'ferry',
        'island',
        'winter',
        'summer',
        'freight',
        'ticket',
        'pier',
        'timetable',
        'notice',
        'tide',
        'crew',
        'cargo',
        'light',
        'bay',
        'north',
        'south',
        'garden',
        'school',
        'market',
        'archive',
        'report',
        'meeting',
        'year',
        'guide',
        'walk',
        'bird',
        'stone',
        'bridge',
        'mill',
    ];

    private const PIECE = 5000;

    public function __construct(private ConnectionInterface $db)
    {
    }

    public function generate(string $key, int $pages): Site
    {
        return $this->db->transaction(function () use ($key, $pages): Site {
            $site = Site::query()->create(['key' => $key, 'name' => "Large site of $pages pages", 'origin' => "http://$key.skerrivane.example"]);
            foreach (
                Membership::query()
                    ->with(['user', 'roles'])
                    ->orderBy('site_id')
                    ->get()
                    ->unique('user_id') as $known
            ) {
                Membership::begin($site, $known->user, ...array_values($known->roles->pluck('key')->all()));
            }
            mt_srand(20260101);
            $first = (int) $this->db->selectOne('select coalesce(max(id), 0) as id from pages')->id + 1;
            $rows = [];
            /** @var array<int, array{string, string, int}> $known path, address, level by number */
            $known = [];
            $children = [];
            for ($n = 0; $n < $pages; $n++) {
                $id = $first + $n;
                $parent = $this->parent($n, $pages);
                [$path, $address] = $parent === null ? ['', ''] : $known[$parent];
                $slug = $n === 0 ? 'home' : self::WORDS[mt_rand(0, 29)].'-'.self::WORDS[mt_rand(0, 29)].'-'.$n;
                $path = ltrim("$path.$id", '.');
                $at = $n === 0 ? '/' : "$address/$slug";
                $known[$n] = [$path, $n === 0 ? '' : $at];
                $position = 65536 * ($children[$parent ?? -1] = ($children[$parent ?? -1] ?? 0) + 1);
                $rows[] = [
                    'id' => $id,
                    'ulid' => (string) Str::ulid(),
                    'parent' => $parent === null ? null : $first + $parent,
                    'path' => $path,
                    'position' => $position,
                    'name' => ucfirst(str_replace('-', ' ', $slug)),
                    'slug' => $slug,
                    'address' => $at,
                ];
                if (count($rows) === self::PIECE) {
                    $this->write($site, $rows);
                    $rows = [];
                }
            }
            $this->write($site, $rows);
            $this->db->statement("select setval(pg_get_serial_sequence('pages', 'id'), (select max(id) from pages))");
            $this->db->insert(
                "insert into ledger (site_id, key, address, kind, page_id, ever_live) select site_id, lower(address), address, 'page', id, true from pages where site_id = ?",
                [$site->id],
            );
            $site->update(['start_page_id' => $first]);

            return $site->refresh();
        });
    }

    /** Thirty branches at the top, then each page under one made a little earlier; page 31 has 5,000 children. */
    private function parent(int $n, int $pages): ?int
    {
        if ($n <= 30) {
            return null;
        }
        if ($n > 31 && $n <= 5031 && $pages > 20000) {
            return 31;
        }

        return $n === 31 ? 1 : max(1, intdiv($n, 14) - mt_rand(0, 3));
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function write(Site $site, array $rows): void
    {
        $this->db->insert(
            <<<'SQL'
            insert into pages (id, ulid, site_id, parent_id, path, position, name, slug, address, state, ever_live, live_since, slug_by_hand)
            select n.id, n.ulid, ?, n.parent, n.path::ltree, n.position, n.name, n.slug, n.address, 'live', true, now(), false
            from jsonb_to_recordset(?::jsonb) as n(id bigint, ulid text, parent bigint, path text, position bigint, name text, slug text, address text)
            SQL
            ,
            [$site->id, json_encode($rows, JSON_THROW_ON_ERROR)],
        );
    }
}

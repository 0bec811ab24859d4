<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Live, listed pages that no menu leads to: neither one that is placed, nor the side menus of sections that are reached. */
final readonly class Unreached
{
    /** Most pages that are named; the count is whole. */
    public const NAMED = 100;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  list<string>  $inMenus  pages that menus on every page lead to
     * @return array{total: int, pages: list<array{id: string, name: string, address: string, clicks: int|null}>} those with the most clicks first, or none at all
     */
    public function of(Site $site, array $inMenus): array
    {
        $rows = $this->db->select(
            <<<'SQL'
            with recursive reached as (
                select id from pages where site_id = ? and (ulid = any(?::text[]) or id = ?) and is_visible(state, from_at, until_at)
                union
                select p.id from reached r join pages p on p.parent_id = r.id where p.listed and is_visible(p.state, p.from_at, p.until_at)
            )
            select p.ulid as id, p.name, p.address, p.clicks, count(*) over () as total from pages p
            where p.site_id = ? and p.listed and is_visible(p.state, p.from_at, p.until_at) and p.id not in (select id from reached)
            order by p.clicks desc nulls first, p.path limit ?
            SQL
            ,
            [$site->id, PgArray::of($inMenus), $site->start_page_id, $site->id, self::NAMED],
        );

        return [
            'total' => (int) ($rows[0]->total ?? 0),
            'pages' => array_values(
                array_map(
                    static fn (\stdClass $row): array => [
                        'id' => $row->id,
                        'name' => $row->name,
                        'address' => $row->address,
                        'clicks' => $row->clicks,
                    ],
                    $rows,
                ),
            ),
        ];
    }
}

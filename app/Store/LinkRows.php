<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** How pages are linked: clicks from the start page, links into them and the weight that these give, links written as addresses. */
final readonly class LinkRows
{
    private const LIVE = "p.site_id = ? and p.state = 'live' and p.listed";

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<array{clicks: int|null, pages: int}> live, listed pages by clicks; null for those that nothing reaches */
    public function depths(Site $site): array
    {
        return array_values(
            array_map(
                static fn (\stdClass $row): array => ['clicks' => $row->clicks, 'pages' => $row->pages],
                $this->db->select('select p.clicks, count(*) as pages from pages p where '.self::LIVE.' group by 1 order by 1 nulls last', [
                    $site->id,
                ]),
            ),
        );
    }

    /** @return list<array<string, mixed>> */
    public function heaviest(Site $site, int $limit): array
    {
        return $this->pages('where '.self::LIVE.' order by p.weight desc, p.id limit ?', [$site->id, $limit]);
    }

    /** @return list<array<string, mixed>> pages that hardly anything in any content leads to, the most clicks first */
    public function loneliest(Site $site, int $limit): array
    {
        return $this->pages('where '.self::LIVE.' and p.id <> ? order by p.links_in, p.clicks desc nulls first, p.id limit ?', [
            $site->id,
            $site->start_page_id ?? 0,
            $limit,
        ]);
    }

    /** @return list<array<string, mixed>> */
    public function orphans(Site $site, int $limit): array
    {
        return $this->pages('where '.self::LIVE.' and p.clicks is null and p.id <> ? order by p.path limit ?', [
            $site->id,
            $site->start_page_id ?? 0,
            $limit,
        ]);
    }

    /** @return list<array{page: string, name: string, href: string, address: string, live: bool}> links of content that are written as addresses of this site */
    public function raw(Site $site, int $limit): array
    {
        return array_values(
            array_map(
                static fn (\stdClass $row): array => [
                    'page' => $row->ulid,
                    'name' => $row->name,
                    'href' => $row->href,
                    'address' => $row->address,
                    'live' => $row->live,
                ],
                $this->db->select(
                    "select p.ulid, p.name, r.href, r.address, r.live from raw_links r join pages p on p.id = r.from_page_id and p.state <> 'bin'
                    where r.site_id = ? order by p.path, r.href limit ?",
                    [$site->id, $limit],
                ),
            ),
        );
    }

    /** @return list<array{name: string, pages: list<array{id: string, name: string, address: string, state: string}>, total: int}> pages that links want and nobody has made */
    public function wanted(Site $site, int $limit): array
    {
        $rows = $this->db->select(
            <<<'SQL'
            select min(l.name) as name, count(*) as total,
                to_json((array_agg(json_build_object('id', p.ulid, 'name', p.name, 'address', p.address, 'state', p.state) order by p.path))[1:5]) as pages
            from wanted_links l join pages p on p.id = l.from_page_id and p.state <> 'bin'
            where l.site_id = ? and not exists (select 1 from pages m where m.site_id = l.site_id and m.wanted_as = l.key and m.state <> 'bin')
            group by l.key order by total desc, name limit ?
            SQL
            ,
            [$site->id, $limit],
        );

        return array_values(
            array_map(
                static fn (\stdClass $row): array => [
                    'name' => $row->name,
                    'pages' => json_decode($row->pages, true, flags: JSON_THROW_ON_ERROR),
                    'total' => (int) $row->total,
                ],
                $rows,
            ),
        );
    }

    /**
     * @param  list<mixed>  $bindings
     * @return list<array<string, mixed>>
     */
    private function pages(string $where, array $bindings): array
    {
        return array_values(
            array_map(
                static fn (\stdClass $row): array => [
                    'page' => $row->ulid,
                    'name' => $row->name,
                    'address' => $row->address,
                    'clicks' => $row->clicks,
                    'linksIn' => $row->links_in,
                    'weight' => round(1000 * $row->weight, 2),
                ],
                $this->db->select("select p.ulid, p.name, p.address, p.clicks, p.links_in, p.weight from pages p $where", $bindings),
            ),
        );
    }
}

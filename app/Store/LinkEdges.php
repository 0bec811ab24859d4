<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** What leads where among the live pages of a site: breadcrumbs, side menus and links of contents. Menus are resolved elsewhere. */
final readonly class LinkEdges
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<object{id: int, ulid: string, parent_id: int|null, listed: bool}> */
    public function pages(Site $site): array
    {
        /** @var list<object{id: int, ulid: string, parent_id: int|null, listed: bool}> $pages */
        $pages = $this->db->select("select p.id, p.ulid, p.parent_id, p.listed from pages p where p.site_id = ? and p.state = 'live'", [$site->id]);

        return $pages;
    }

    /**
     * @param  list<object{id: int, ulid: string, parent_id: int|null, listed: bool}>  $pages
     * @return array<int, list<int>> where each page leads, by number; a target may stand there more than once
     */
    public function among(Site $site, array $pages): array
    {
        $leadsTo = [];
        foreach ($pages as $page) {
            if ($page->parent_id !== null) {
                $leadsTo[$page->id][] = $page->parent_id; // breadcrumbs
                if ($page->listed) {
                    $leadsTo[$page->parent_id][] = $page->id; // the section's side menu
                }
            }
        }
        foreach (
            $this->db->cursor(
                "select l.from_page_id as f, l.to_page_id as t from links l join pages p on p.id = l.to_page_id where p.site_id = ? and p.state = 'live'",
                [$site->id],
            ) as $link
        ) {
            $leadsTo[$link->f][] = $link->t;
        }

        return $leadsTo;
    }

    /**
     * Pages to be drawn: the nearest to the start page, among those as near those that links give most weight, and some that
     * nothing leads to. Whatever leads to one of them first is among them.
     *
     * @return list<\stdClass> in the order of the tree
     */
    public function drawn(Site $site, int $limit, int $lost): array
    {
        return array_values(
            $this->db->select(
                <<<'SQL'
                select d.*, top.name as section from (
                    (select p.id, p.ulid, p.name, p.address, p.parent_id, p.clicks, p.links_in, p.weight, p.path, p.listed from pages p
                        where p.site_id = ? and p.state = 'live' and p.clicks is not null order by p.clicks, p.weight desc, p.id limit ?)
                    union all
                    (select p.id, p.ulid, p.name, p.address, p.parent_id, p.clicks, p.links_in, p.weight, p.path, p.listed from pages p
                        where p.site_id = ? and p.state = 'live' and p.clicks is null and p.listed order by p.weight desc, p.id limit ?)
                ) d left join pages top on top.id = ltree2text(subpath(d.path, 0, 1))::bigint order by d.path
                SQL
                ,
                [$site->id, $limit, $site->id, $lost],
            ),
        );
    }

    public function count(Site $site): int
    {
        return (int) $this->db->scalar(
            "select count(*) from pages p where p.site_id = ? and p.state = 'live' and (p.clicks is not null or p.listed)",
            [$site->id],
        );
    }

    /**
     * @param  list<int>  $pages  numbers
     * @return list<object{f: int, t: int}> links of contents among them, each once
     */
    public function contents(array $pages): array
    {
        $numbers = PgArray::of($pages);
        /** @var list<object{f: int, t: int}> $links */
        $links = $this->db->select(
            'select distinct from_page_id as f, to_page_id as t from links where from_page_id = any(?::bigint[]) and to_page_id = any(?::bigint[])',
            [$numbers, $numbers],
        );

        return $links;
    }
}

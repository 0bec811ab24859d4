<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page as StoredPage;
use App\Models\Site;
use Heronstem\Core\Tree\Page;
use Illuminate\Database\ConnectionInterface;

/**
 * Pages of a site or of a branch with everything about them, in the order of the tree. Read some hundred at a
 * time, so that a site of any size goes out in little memory.
 */
final readonly class ExportedPages
{
    private const PIECE = 400;

    /** Letters of an identity. */
    private const ID = 26;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @return iterable<array{Page, array<mixed>|null, array<mixed>|null, list<string>, list<string>}> the page; its content that was saved
     *                                                                                                 last, and what visitors get where that is
     *                                                                                                 another; addresses that send on to it, and
     *                                                                                                 those that serve it
     */
    public function all(Site $site, ?StoredPage $branch = null): iterable
    {
        $pages = new StoredPages($this->db, $site);
        // The order of the tree: each page by the positions of those above it and its own. One text of all identities is little memory,
        // and no transaction is left open however slowly somebody reads.
        $all = (string) $this->db->scalar(
            "with recursive tree as (
                select p.id, p.ulid, array[p.position] as place from pages p where p.site_id = {$site->id} and p.state <> 'bin' and ".
                ($branch === null ? 'p.parent_id is null' : "p.id = {$branch->id}").
                " union all select p.id, p.ulid, tree.place || p.position from pages p join tree on p.parent_id = tree.id where p.state <> 'bin'
            ) select string_agg(ulid, '' order by place) from tree",
        );
        for ($at = 0; $at < strlen($all); $at += self::PIECE * self::ID) {
            yield from $this->piece($pages, $site, str_split(substr($all, $at, self::PIECE * self::ID), self::ID));
        }
    }

    /**
     * @param  list<string>  $ids
     * @return iterable<array{Page, array<mixed>|null, array<mixed>|null, list<string>, list<string>}>
     */
    private function piece(StoredPages $stored, Site $site, array $ids): iterable
    {
        $pages = [];
        foreach ($stored->these($ids) as $page) {
            $pages[$page->id] = $page;
        }
        $contents = (new ContentTexts($this->db))->of($ids);
        $claims = ['redirect' => [], 'also' => []];
        foreach (
            $this->db->select(
                "select p.ulid, l.kind, l.address from ledger l join pages p on p.id = l.page_id where l.site_id = ? and l.kind in ('redirect', 'also') and p.ulid = any(?::text[]) order by l.key",
                [$site->id, PgArray::of($ids)],
            ) as $row
        ) {
            $claims[$row->kind][$row->ulid][] = $row->address;
        }
        foreach ($ids as $id) {
            if (isset($pages[$id])) {
                [$working, $live] = $contents[$id] ?? [null, null];
                yield [$pages[$id], $working, $live, $claims['redirect'][$id] ?? [], $claims['also'][$id] ?? []];
            }
        }
    }
}

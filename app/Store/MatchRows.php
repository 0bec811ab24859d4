<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MatchList;
use Heronstem\Core\Redirect\Matching\Candidate;
use Heronstem\Core\Redirect\Matching\OldPage;
use Heronstem\Core\Redirect\Matching\Proposal;
use Illuminate\Database\ConnectionInterface;

/** The rows of lists of old addresses, written and read in sets. */
final readonly class MatchRows
{
    private const PIECE = 2000;

    /** Bytes that are kept of an address, and of a text. */
    private const LONGEST = 2000;

    /** How far it has to move that there is none to be told again: it hangs on the whole list. */
    private const OTHER = 0.05;

    /** How far a confidence has to move to be worth a mark. */
    private const NOTICED = 0.1;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  iterable<OldPage>  $pages */
    public function add(MatchList $list, iterable $pages): void
    {
        $rows = [];
        foreach ($pages as $page) {
            $old = self::kept($page->address);
            $rows[$old] ??= [
                'n' => count($rows),
                'old' => $old,
                'title' => self::kept($page->title),
                'heading' => self::kept($page->heading),
                'also' => array_map(self::kept(...), $page->also),
                'requests' => min($page->requests, 2_000_000_000),
            ];
        }
        foreach (array_chunk(array_values($rows), self::PIECE) as $piece) {
            $this->db->insert(
                <<<'SQL'
                insert into match_rows (list_id, n, old, title, heading, also, requests)
                select ?, n, old, title, heading, also, requests
                from jsonb_to_recordset(?::jsonb) as r(n int, old text, title text, heading text, also jsonb, requests int)
                SQL
                ,
                [$list->id, json_encode($piece, JSON_THROW_ON_ERROR)],
            );
        }
    }

    /** @return array{list<OldPage>, array<string, string>} in their order, and by address what somebody chose of them */
    public function toMatch(MatchList $list): array
    {
        $pages = $settled = [];
        $rows = $this->db->select('select old, title, heading, also, requests, choice, chosen from match_rows where list_id = ? order by n', [
            $list->id,
        ]);
        foreach ($rows as $row) {
            $pages[] = new OldPage($row->old, $row->title, $row->heading, json_decode($row->also, true), $row->requests);
            if ($row->choice === 'page') {
                $settled[$row->old] = $row->chosen;
            }
        }

        return [$pages, $settled];
    }

    /**
     * Writes what is proposed where that is something else than before, and marks what changed by what was chosen.
     *
     * @param  list<Proposal>  $proposals  in the order of the rows
     * @param  bool  $isFirst  nothing was proposed before
     */
    public function propose(MatchList $list, array $proposals, int $revision, bool $isFirst): void
    {
        $rows = [];
        foreach ($proposals as $n => $proposal) {
            $rows[] = [
                'n' => $n,
                'page' => $proposal->page?->id,
                'confidence' => $proposal->confidence,
                'none' => $proposal->none,
                'why' => $proposal->why,
                'next' => array_map(static fn (Candidate $page): string => $page->id, $proposal->next),
            ];
        }
        foreach (array_chunk($rows, self::PIECE) as $piece) {
            $this->db->update(
                <<<'SQL'
                update match_rows m set page = p.page, confidence = p.confidence, none = p.none, why = p.why, next = p.next, revision = ?,
                    is_taught = not ? and m.choice is null and (m.page is distinct from p.page or abs(m.confidence - p.confidence) >= ?)
                from jsonb_to_recordset(?::jsonb) as p(n int, page text, confidence real, none real, why text, next jsonb)
                where m.list_id = ? and m.n = p.n and (m.is_taught or abs(m.none - p.none) >= ? or (m.page, m.confidence, m.why, m.next) is distinct from (p.page, p.confidence, p.why, p.next))
                SQL
                ,
                [$revision, $isFirst, self::NOTICED, json_encode($piece, JSON_THROW_ON_ERROR), $list->id, self::OTHER],
            );
        }
    }

    /** @return array<string, \stdClass> rows of these addresses, held until the transaction ends; by address */
    public function hold(MatchList $list, string ...$old): array
    {
        $rows = $this->db->select(
            <<<'SQL'
            select m.n, m.old, m.choice, m.chosen, m.revision, m.chosen_by as by, u.name as chosen_by, coalesce(p.name, '') as name
            from match_rows m left join users u on u.id = m.chosen_by left join pages p on p.ulid = m.chosen
            where m.list_id = ? and m.old = any(?::text[]) order by m.n for update of m
            SQL
            ,
            [$list->id, PgArray::of(array_map(self::kept(...), $old))],
        );

        return array_column($rows, null, 'old');
    }

    public function choose(MatchList $list, int $n, ?string $choice, ?string $page, ?int $user, int $revision): void
    {
        $this->db->update(
            'update match_rows set choice = ?, chosen = ?, chosen_by = ?, chosen_at = case when ?::text is null then null else now() end, is_taught = false, revision = ? where list_id = ? and n = ?',
            [$choice, $page, $choice === null ? null : $user, $choice, $revision, $list->id, $n],
        );
    }

    /**
     * With the names and addresses of the pages.
     *
     * @param  int  $since  revision of the list up to which somebody knows it
     * @return list<\stdClass> in their order; `pages` are those that are likeliest, chosen or next, by identity, as JSON
     */
    public function read(MatchList $list, int $since = -1): array
    {
        return array_values(
            $this->db->select(
                <<<'SQL'
                select m.*, u.name as by, (
                    select jsonb_object_agg(p.ulid, jsonb_build_object('id', p.ulid, 'name', p.name, 'address', p.address)) from pages p
                    where p.ulid = any(array(select jsonb_array_elements_text(m.next)) || m.page || m.chosen) and p.site_id = ? and p.state <> 'bin'
                ) as pages
                from match_rows m left join users u on u.id = m.chosen_by where m.list_id = ? and m.revision > ? order by m.n
                SQL
                ,
                [$list->site_id, $list->id, $since],
            ),
        );
    }

    /**
     * How far lists have come.
     *
     * @param  list<int>  $lists
     * @return array<int, \stdClass> rows, requests and chosen by list
     */
    public function counts(array $lists): array
    {
        $rows = $this->db->select(
            'select list_id, count(*) as rows, sum(requests) as requests, count(choice) as chosen from match_rows where list_id = any(?::bigint[]) group by list_id',
            [PgArray::numbers($lists)],
        );

        return array_column($rows, null, 'list_id');
    }

    /** What the database takes: UTF-8 without NUL, of bounded length. */
    private static function kept(string $text): string
    {
        return mb_strcut(str_replace("\0", '', mb_scrub($text, 'UTF-8')), 0, self::LONGEST, 'UTF-8');
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Search\MarkedText;
use Illuminate\Database\ConnectionInterface;

/** Asks PostgreSQL for pages with certain words: names count most, then headings, then what the site says of the page, then its text. */
final readonly class SearchResults
{
    /** Weights of body, description, headings and names. */
    private const WEIGHTS = '{0.1, 0.3, 0.5, 1.0}';

    /** Pages that may be found by visitors: live, listed, not kept out. */
    private const FOUND = "is_visible(p.state, p.from_at, p.until_at) and (p.gate_id is null or p.gate_id in (select open_gate())) and p.listed and p.in_site_search and p.kind in ('page', 'download')";

    /** Pages that are counted; beyond that it is said that there are more. */
    public const MAX_COUNTED = 501;

    private const FRAGMENTS = 'MaxFragments=2, MaxWords=22, MinWords=10, FragmentDelimiter=" … "';

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  string  $asked  as people type it: words, "a phrase", or, -not
     * @return array{int, list<object{ulid: string, name: string, address: string, description: string, says: string, begins: string, ends: string}>} how many there are, and those of a piece
     */
    public function page(Site $site, string $asked, int $offset, int $limit): array
    {
        $language = TextSearchLanguage::of($site);
        $around = 'StartSel="'.MarkedText::MARKS[0].'", StopSel="'.MarkedText::MARKS[1].'"';
        /** @var list<object{ulid: string, name: string, address: string, description: string, says: string, begins: string, ends: string, pages: int}> $rows */
        $rows = $this->db->select(
            // Whether a page may be found is asked in the order of rank, of as many as are counted: not of all that have a word.
            "with q as materialized (select websearch_to_tsquery('$language', ?) as q), ranked as materialized (
                select s.page_id, ts_rank_cd('".
                self::WEIGHTS.
                "', s.vector, q.q, 1) as rank from q, search_pages s
                where s.site_id = ? and s.vector @@ q.q order by rank desc, s.page_id
            ), found as materialized (
                select r.page_id, row_number() over () as n from ranked r cross join lateral (select 1 from pages p where p.id = r.page_id and ".
                self::FOUND.
                ' offset 0) p limit ?
            )
            select p.ulid, p.name, p.address, (select count(*) from found) as pages, '.
                "ts_headline('$language', s.description, q.q, '$around, HighlightAll=true') as description,
                case when s.body = '' then '' else ts_headline('$language', s.body, q.q, '$around, ".
                self::FRAGMENTS.
                "') end as says, left(s.body, 12) as begins, right(s.body, 12) as ends
            from found f join search_pages s on s.page_id = f.page_id join pages p on p.id = f.page_id, q where f.n > ? and f.n <= ? order by f.n",
            [$asked, $site->id, self::MAX_COUNTED, $offset, $offset + $limit],
        );

        return [$rows[0]->pages ?? 0, $rows];
    }

    /**
     * @param  list<string>  $words  of which a page has at least one
     * @return array{int, list<object{ulid: string, name: string, address: string, description: string, says: string, begins: string, ends: string}>}
     */
    public function withAny(Site $site, array $words, int $offset, int $limit): array
    {
        return $this->page($site, implode(' or ', $words), $offset, $limit);
    }

    /**
     * @param  list<string>  $words
     * @return list<string> those that some page has that visitors may find, and those that are too common to be looked for
     */
    public function known(Site $site, array $words): array
    {
        $language = TextSearchLanguage::of($site);

        return array_column(
            $this->db->select(
                "select n.word from unnest(?::text[]) as n(word), lateral (select plainto_tsquery('$language', n.word) as q) a
                where numnode(a.q) = 0 or exists (select 1 from search_pages s join pages p on p.id = s.page_id where s.site_id = ? and s.vector @@ a.q and ".
                    self::FOUND.
                    ')',
                [PgArray::of($words), $site->id],
            ),
            'word',
        );
    }

    /** @return list<string> words of pages that are spelt alike, the nearest first */
    public function near(Site $site, string $word): array
    {
        return array_column(
            $this->db->select('select word from search_words where site_id = ? and word % ? order by similarity(word, ?) desc, word limit 40', [
                $site->id,
                $word,
                $word,
            ]),
            'word',
        );
    }
}

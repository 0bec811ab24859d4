<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/**
 * Finds pages for the go-to field by several words in any order: each stands in name, heading, address or content, or is spelt much like
 * one in name or address. Names count most, then headings, addresses, content, and what is only spelt alike.
 */
final readonly class GoToHits
{
    /** Words that are looked for; the others would find the same pages. */
    private const MOST_WORDS = 8;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> with `by`: name, content or spelling, whichever a word had to be found by */
    public function find(Site $site, string $text, int $limit): array
    {
        $words = array_slice(array_values(array_unique(preg_split('/[\s,;]+/u', mb_strtolower($text), -1, PREG_SPLIT_NO_EMPTY) ?: [])), 0, self::MOST_WORDS);
        if ($words === []) {
            return [];
        }
        $language = TextSearchLanguage::of($site);
        $like = static fn (string $word): string => '%'.addcslashes($word, '%_\\').'%';

        return array_values(
            $this->db->select(
                <<<SQL
                with words as materialized (select * from unnest(?::text[], ?::text[]) with ordinality as w(word, pattern, n)),
                hits as (
                    select p.id, w.n, case when position(' ' || w.word in ' ' || lower(p.name)) > 0 then 4 when p.name ilike w.pattern then 3 else 2 end as weight
                        from words w join pages p on p.site_id = ? and (p.name || ' ' || p.address) ilike w.pattern
                    union all
                    select p.id, w.n, 2.5 from words w join pages p on p.site_id = ? and p.heading ilike w.pattern
                    union all
                    select s.page_id, w.n, 1 from words w join search_pages s on s.site_id = ? and s.vector @@ plainto_tsquery('$language', w.word) where length(w.word) > 2
                    union all
                    select p.id, w.n, 0.9 * word_similarity(w.word, p.name || ' ' || p.address)
                        from words w join pages p on p.site_id = ? and (p.name || ' ' || p.address) %> w.word where length(w.word) > 3
                ),
                found as (
                    select id, sum(weight) as score, min(weight) as least from (select id, n, max(weight) as weight from hits group by id, n) best
                    group by id having count(*) = ?
                )
                select p.ulid as id, p.name, coalesce(p.heading, p.name) as heading, p.address, p.state, lower(p.name) = lower(?) as exact,
                    case when f.least < 1 then 'spelling' when f.least = 1 then 'content' else 'name' end as by,
                    (select string_agg(a.name, ' › ' order by nlevel(a.path)) from pages a where a.site_id = p.site_id and a.path @> p.path and a.id <> p.id) as within
                from found f join pages p on p.id = f.id where p.state <> 'bin'
                order by lower(p.name) = lower(?) desc, p.name ilike ? desc, f.score desc, nlevel(p.path), p.name limit ?
                SQL
                ,
                [
                    PgArray::of($words),
                    PgArray::of(array_map($like, $words)),
                    $site->id,
                    $site->id,
                    $site->id,
                    $site->id,
                    count($words),
                    $text,
                    $text,
                    substr($like($text), 1),
                    $limit,
                ],
            ),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/**
 * Finds pages for the go-to field by several words in any order: each stands in name, heading, address or content, or is spelt much like
 * one in name or address. Names count most, then headings, addresses, content, and what is only spelt alike.
 *
 * Pages are looked for where words are rare or stand together, a bounded number of them, and only those are compared closely: what is
 * typed first has few letters and is in most names. Where looking closer would find nothing better, it ends.
 */
final readonly class GoToHits
{
    /** Words that are looked for; the others would find the same pages. */
    private const MOST_WORDS = 8;

    /** Letters up to which a word stands at the beginning of one only: anywhere inside it is in nearly all. */
    private const SHORT = 2;

    /** Pages that each way of looking brings in. */
    private const EACH = 300;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> with `by`: name, content or spelling, whichever a word had to be found by */
    public function find(Site $site, string $text, int $limit): array
    {
        $words = array_slice(
            array_values(array_unique(preg_split('/[\s,;]+/u', mb_strtolower($text), -1, PREG_SPLIT_NO_EMPTY) ?: [])),
            0,
            self::MOST_WORDS,
        );
        if ($words === []) {
            return [];
        }
        $found = $this->named($site, $words, $text);
        $hits = $this->ranked($site, $words, $text, $found, $limit, false);
        if (count($hits) < $limit) {
            $found = [...$found, ...$this->together($site, $words), ...$this->eachOf($site, $words)];
            $hits = $this->ranked($site, $words, $text, $found, $limit, false);
        }

        return $hits === [] ? $this->ranked($site, $words, $text, [...$found, ...$this->spelt($site, $words)], $limit, true) : $hits;
    }

    /**
     * Pages with all words in name and address, and those of that very name or that begin so.
     *
     * @param  list<string>  $words
     * @return list<int>
     */
    private function named(Site $site, array $words, string $text): array
    {
        $all = implode(' and ', array_map(self::says(...), $words));
        $each = self::EACH;
        $begins = addcslashes($text, '%_\\');

        // The index is of both together, of which the name comes first.
        return $this->ids(
            <<<SQL
            (select p.id from pages p where p.site_id = ? and (p.name || ' ' || p.address) ilike ? and p.name ilike ? limit 20)
            union (select p.id from pages p where p.site_id = ? and (p.name || ' ' || p.address) ilike ? limit $each)
            union (select p.id from pages p where p.site_id = ? and $all limit $each)
            SQL
            ,
            [$site->id, "$begins %", $begins, $site->id, "$begins%", $site->id, ...array_map(self::pattern(...), $words)],
        );
    }

    /**
     * Pages whose name, heading and content have all words that say something, the last one perhaps not typed to its end.
     *
     * @param  list<string>  $words
     * @return list<int>
     */
    private function together(Site $site, array $words): array
    {
        $words = array_values(array_filter($words, static fn (string $word): bool => mb_strlen($word) > self::SHORT));
        if ($words === []) {
            return [];
        }
        $language = TextSearchLanguage::of($site);
        $all = implode(' && ', array_fill(0, count($words), "plainto_tsquery('$language', ?)"));
        $each = self::EACH;

        return $this->ids("select s.page_id as id from search_pages s where s.site_id = ? and s.vector @@ ($all) limit $each", [
            $site->id,
            ...$words,
        ]);
    }

    /**
     * Pages that have one of the words in name, address or heading: the others may stand in their content.
     *
     * @param  list<string>  $words
     * @return list<int>
     */
    private function eachOf(Site $site, array $words): array
    {
        $each = self::EACH;
        $looks = $with = [];
        foreach ($words as $word) {
            $looks[] = '(select p.id from pages p where p.site_id = ? and '.self::says($word)." limit $each)";
            array_push($with, $site->id, self::pattern($word));
            if (mb_strlen($word) > self::SHORT) {
                $looks[] = "(select p.id from pages p where p.site_id = ? and p.heading ilike ? limit $each)";
                array_push($with, $site->id, self::pattern($word));
            }
        }

        return $this->ids(implode(' union ', $looks), $with);
    }

    /**
     * Pages with a word in name or address that is spelt much like one of these.
     *
     * @param  list<string>  $words
     * @return list<int>
     */
    private function spelt(Site $site, array $words): array
    {
        $each = self::EACH;
        $words = array_values(array_filter($words, static fn (string $word): bool => mb_strlen($word) > 3));
        $looks = array_fill(0, count($words), "(select p.id from pages p where p.site_id = ? and (p.name || ' ' || p.address) %> ? limit $each)");
        $with = array_merge(...array_map(static fn (string $word): array => [$site->id, $word], $words));

        return $looks === [] ? [] : $this->ids(implode(' union ', $looks), $with);
    }

    /**
     * Those of them that have every word that says something, best first.
     *
     * @param  list<string>  $words
     * @param  list<int>  $found
     * @param  bool  $bySpelling  whether a word may be one that is spelt much like it
     * @return list<\stdClass>
     */
    private function ranked(Site $site, array $words, string $text, array $found, int $limit, bool $bySpelling): array
    {
        $language = TextSearchLanguage::of($site);
        $alike = $bySpelling
            ? "when length(w.word) > 3 and (p.name || ' ' || p.address) %> w.word then 0.9 * word_similarity(w.word, p.name || ' ' || p.address)"
            : '';
        $short = self::SHORT;

        return $found === []
            ? []
            : array_values(
                $this->db->select(
                    <<<SQL
                    with words as materialized (
                        select word, pattern, start, plainto_tsquery('$language', word) as query from unnest(?::text[], ?::text[], ?::text[]) as w(word, pattern, start)
                    ),
                    -- What says nothing, such as “the”, need not be there, where there is more.
                    telling as materialized (
                        select * from words where numnode(query) > 0 or length(word) <= $short or not exists (select 1 from words where numnode(query) > 0)
                    ),
                    found as materialized (
                        select p.id, sum(s.weight) as score, min(s.weight) as least from pages p left join search_pages t on t.page_id = p.id
                        cross join telling w cross join lateral (select case
                            when lower(p.name) ~ w.start then 4
                            when length(w.word) <= $short then case when lower(p.address) ~ w.start then 2 end
                            when p.name ilike w.pattern then 3
                            when p.heading ilike w.pattern then 2.5
                            when p.address ilike w.pattern then 2
                            when t.vector @@ w.query then 1
                            $alike
                        end as weight) s
                        where p.id = any(?::bigint[]) and p.site_id = ? and p.state <> 'bin' and s.weight > 0
                        group by p.id having count(*) = (select count(*) from telling)
                    )
                    select p.ulid as id, p.name, coalesce(p.heading, p.name) as heading, p.address, p.state, lower(p.name) = lower(?) as exact,
                        case when f.least < 1 then 'spelling' when f.least = 1 then 'content' else 'name' end as by,
                        (select string_agg(a.name, ' › ' order by nlevel(a.path)) from pages a where a.site_id = p.site_id and a.path @> p.path and a.id <> p.id) as within
                    from found f join pages p on p.id = f.id
                    order by lower(p.name) = lower(?) desc, p.name ilike ? desc, f.score desc, nlevel(p.path), p.name limit ?
                    SQL
                    ,
                    [
                        PgArray::of($words),
                        PgArray::of(array_map(static fn (string $word): string => '%'.addcslashes($word, '%_\\').'%', $words)),
                        PgArray::of(array_map(self::start(...), $words)),
                        PgArray::numbers(array_values(array_unique($found))),
                        $site->id,
                        $text,
                        $text,
                        addcslashes($text, '%_\\').'%',
                        $limit,
                    ],
                ),
            );
    }

    /** How a word is looked for in name and address: with its pattern. */
    private static function says(string $word): string
    {
        return "(p.name || ' ' || p.address) ".(mb_strlen($word) > self::SHORT ? 'ilike' : '~*').' ?';
    }

    private static function pattern(string $word): string
    {
        return mb_strlen($word) > self::SHORT ? '%'.addcslashes($word, '%_\\').'%' : self::start($word);
    }

    /** A word or one that begins so, as a regular expression of PostgreSQL. */
    private static function start(string $word): string
    {
        return (preg_match('/^\w/u', $word) === 1 ? '\\m' : '').preg_replace('/[^\w]/u', '\\\\$0', $word);
    }

    /**
     * @param  list<string|int>  $with
     * @return list<int>
     */
    private function ids(string $sql, array $with): array
    {
        return array_map(static fn (\stdClass $row): int => $row->id, array_values($this->db->select($sql, $with)));
    }
}

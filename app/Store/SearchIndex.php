<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Search\SearchText;
use Illuminate\Database\ConnectionInterface;

/** What the site's own search finds pages by. Who may be found is asked of the pages when somebody searches. */
final readonly class SearchIndex
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  array<int, SearchText|null>  $texts  by number of the page; null for one that has nothing for visitors */
    public function write(Site $site, array $texts): void
    {
        $gone = array_keys(array_filter($texts, static fn (?SearchText $text): bool => $text === null));
        $this->db->delete('delete from search_pages where page_id = any(?::bigint[])', [PgArray::of($gone)]);
        $rows = $words = [];
        foreach (array_filter($texts) as $number => $text) {
            $rows[] = [
                'page_id' => $number,
                'names' => $text->names,
                'headings' => $text->headings,
                'description' => $text->description,
                'body' => $text->body,
            ];
            $words += array_fill_keys($text->words(), true);
        }
        if ($rows === []) {
            return;
        }
        $language = TextSearchLanguage::of($site);
        $this->db->insert(
            <<<SQL
            insert into search_pages (page_id, site_id, vector, description, body)
            select page_id, ?, setweight(to_tsvector('$language', names), 'A') || setweight(to_tsvector('$language', headings), 'B')
                || setweight(to_tsvector('$language', description), 'C') || setweight(to_tsvector('$language', body), 'D'), description, body
            from jsonb_to_recordset(?::jsonb) as n(page_id bigint, names text, headings text, description text, body text)
            on conflict (page_id) do update set vector = excluded.vector, description = excluded.description, body = excluded.body
            SQL
            ,
            [$site->id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)],
        );
        ksort($words, SORT_STRING);
        $this->db->insert('insert into search_words (site_id, word) select ?, n.word from unnest(?::text[]) as n(word) on conflict do nothing', [
            $site->id,
            PgArray::of(array_keys($words)),
        ]);
    }
}

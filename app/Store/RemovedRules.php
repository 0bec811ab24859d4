<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleDifference;
use Illuminate\Database\ConnectionInterface;

/** Redirects that were removed, kept whole until they are there again. */
final readonly class RemovedRules
{
    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    /** @param  list<RuleDifference>  $differences */
    public function note(array $differences, HistoryEntry $entry): void
    {
        $back = array_values(
            array_map(
                static fn (RuleDifference $each): string => $each->rule,
                array_filter($differences, static fn (RuleDifference $each): bool => $each->after !== null),
            ),
        );
        if ($back !== []) {
            $this->db->delete('delete from removed_redirects where site_id = ? and ulid = any(?::text[])', [$this->site->id, PgArray::of($back)]);
        }
        $gone = array_values(
            array_filter(array_map(static fn (RuleDifference $each): ?Rule => $each->after === null ? $each->before : null, $differences)),
        );
        foreach (array_chunk($gone, 2000) as $piece) {
            $this->db->insert(
                <<<'SQL'
                insert into removed_redirects (ulid, site_id, rule, source, key, by_entry_id)
                select n->>'id', ?, n, (n->>'source') || case when n->>'matched' = '' then '' else '?' || (n->>'matched') end, n->>'key', ? from jsonb_array_elements(?::jsonb) n
                on conflict (ulid) do update set rule = excluded.rule, source = excluded.source, key = excluded.key, removed_at = now(), by_entry_id = excluded.by_entry_id
                SQL
                ,
                [
                    $this->site->id,
                    $entry->id,
                    json_encode(array_map(static fn (Rule $rule): array => $rule->toArray(), $piece), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                ],
            );
        }
    }
}

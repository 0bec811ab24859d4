<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Search\IndexNow;
use Heronstem\Core\Search\MessageFate;
use Illuminate\Database\ConnectionInterface;

/** What search engines are to be told, what they were told, and what they said. */
final readonly class EngineMessages
{
    /** Messages of a site that are kept. */
    private const KEPT = 200;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  list<string>  $addresses  that engines should look at again */
    public function note(Site $site, array $addresses): void
    {
        $this->db->insert('insert into engine_changes (site_id, address) select ?, n.address from unnest(?::text[]) as n(address)', [
            $site->id,
            PgArray::of($addresses),
        ]);
    }

    /**
     * @param  list<string>  $pages
     * @return list<string> those that are closed to whoever looks
     */
    public function closedAmong(Site $site, array $pages): array
    {
        return array_column(
            $this->db->select('select ulid from pages where site_id = ? and ulid = any(?::text[]) and gate_id is not null and not is_open(gate_id)', [
                $site->id,
                PgArray::of($pages),
            ]),
            'ulid',
        );
    }

    /** Makes messages of what was noted: each address once, however often it changed. */
    public function gather(): void
    {
        $this->db->transaction(function (): void {
            $this->db->insert(
                'with noted as (delete from engine_changes returning site_id, address),
                once as (select site_id, address, row_number() over (partition by site_id order by address) - 1 as n from (select distinct site_id, address from noted) d)
                insert into engine_messages (site_id, addresses)
                select o.site_id, jsonb_agg(o.address order by o.address) from once o group by o.site_id, o.n / ?',
                [IndexNow::MAX_ADDRESSES],
            );
            $this->db->delete(
                "delete from engine_messages m using (
                    select id, row_number() over (partition by site_id order by id desc) as n from engine_messages where state <> 'waiting'
                ) old where old.id = m.id and old.n > ?",
                [self::KEPT],
            );
        });
    }

    /**
     * Messages whose time has come; nobody else sends them in the next minutes.
     *
     * @return list<object{id: int, site_id: int, addresses: string, tries: int}>
     */
    public function due(int $limit): array
    {
        /** @var list<object{id: int, site_id: int, addresses: string, tries: int}> $rows */
        $rows = $this->db->select(
            "update engine_messages set next_at = now() + interval '5 minutes' where id in (
                select id from engine_messages where state = 'waiting' and next_at <= now() order by next_at limit ? for update skip locked
            ) returning id, site_id, addresses::text as addresses, tries",
            [$limit],
        );

        return $rows;
    }

    public function sent(int $id, int $tries, ?int $status, MessageFate $fate): void
    {
        $this->db->update(
            'update engine_messages set state = ?, tries = ?, status = ?, says = ?, sent_at = now(), next_at = now() + make_interval(secs => ?) where id = ?',
            [$fate->state, $tries, $status, $fate->says, $fate->wait, $id],
        );
    }

    /** What waited for a site that no longer wants to tell is dropped. */
    public function forget(Site $site): void
    {
        $this->db->delete('delete from engine_changes where site_id = ?', [$site->id]);
        $this->db->delete("delete from engine_messages where site_id = ? and state = 'waiting'", [$site->id]);
    }

    public function noted(Site $site): int
    {
        return (int) $this->db->scalar('select count(distinct address) from engine_changes where site_id = ?', [$site->id]);
    }

    /** @return list<\stdClass> the newest first */
    public function of(Site $site): array
    {
        return array_values(
            $this->db->select(
                "select id, jsonb_array_length(addresses) as addresses, (select json_agg(a) from (select a from jsonb_array_elements_text(addresses) as a limit 5) f) as first,
                    state, tries, status, says, to_json(made_at)#>>'{}' as made, to_json(next_at)#>>'{}' as next, to_json(sent_at)#>>'{}' as sent
                from engine_messages where site_id = ? order by id desc limit ?",
                [$site->id, self::KEPT],
            ),
        );
    }

    /** Sends a message that was refused once more; false where there is none. */
    public function again(Site $site, int $id): bool
    {
        return $this->db->update(
            "update engine_messages set state = 'waiting', tries = 0, next_at = now() where site_id = ? and id = ? and state = 'refused'",
            [$site->id, $id],
        ) > 0;
    }
}

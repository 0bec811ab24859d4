<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Knows of what the pages are made that a node keeps rendered, and since when something of it has changed. */
final readonly class PageCache
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** Marks the state of things: asked before something is rendered, it tells later what has changed since. */
    public function mark(): string
    {
        return (string) $this->db->scalar('select seen_so_far()');
    }

    /** @param  list<string>  $parts  as MadeOf names them */
    public function changedSince(string $mark, Site $site, array $parts): bool
    {
        return (bool) $this->db->scalar(KeptPlans::MARK.'select changed_since(?, ?::text[], ?)', [$site->id, PgArray::of($parts), $mark]);
    }

    /**
     * @param  string  $key  under which the node keeps it
     * @param  list<string>  $parts
     * @return bool whether it may be kept: not, where something of it has changed since the mark
     */
    public function keep(string $node, string $key, Site $site, array $parts, string $mark): bool
    {
        // It writes, also where everything else is read from a replica.
        return (bool) $this->db->scalar('select keep_page(?, ?, ?, ?::text[], ?)', [$node, $key, $site->id, PgArray::of($parts), $mark], false);
    }

    /** @return list<string> keys of what a node has to forget by now */
    public function forget(string $node): array
    {
        return array_map(static fn (\stdClass $row): string => $row->key, array_values($this->db->select('select forget_pages(?) as key', [$node])));
    }

    /** @return list<string> keys of what was forgotten a moment ago: what was on its way to be kept then may have come since */
    public function forgottenLately(string $node): array
    {
        $rows = $this->db->select("select key from cached_pages where node = ? and forgotten_at > now() - interval '5 seconds'", [$node]);

        return array_map(static fn (\stdClass $row): string => $row->key, array_values($rows));
    }

    /** A node that begins anew keeps nothing. */
    public function begin(string $node): void
    {
        $this->db->delete('delete from cached_pages where node = ?', [$node]);
        $this->db->insert(
            'insert into cache_nodes (name, seen) values (?, seen_so_far()) on conflict (name) do update set seen = excluded.seen, at = now()',
            [$node],
        );
    }

    /** What no node will ask about any more. */
    public function tidy(): void
    {
        $this->db->delete("delete from cached_pages where forgotten_at < now() - interval '1 minute'");
        $this->db->delete("delete from cache_nodes where at < now() - interval '1 day'");
        $this->db->delete('delete from cached_pages where node not in (select name from cache_nodes)');
        // A node that was away for longer begins anew.
        $this->db->delete("delete from forgets where at < now() - interval '1 hour' and pg_visible_in_snapshot(xid, pg_current_snapshot())");
    }

    /** Whether a node was away for so long that changes it has not seen may be gone. */
    public function isBehind(string $node): bool
    {
        return (bool) $this->db->scalar("select not exists (select 1 from cache_nodes where name = ? and at > now() - interval '50 minutes')", [
            $node,
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/**
 * Thins old history: what was done, by whom, when and why stays; the details by which it could be undone go,
 * and with them the pages that were deleted for good. The ledger is never thinned.
 */
final readonly class ThinHistory
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return array{entries: int, pages: int} how many changes would lose their details, and how many deleted pages would lose theirs */
    public function count(Site $site, int $days): array
    {
        return [
            'entries' => (int) $this->db->selectOne(
                'select count(*) as n from history where site_id = ? and thinned_at is null and created_at < now() - make_interval(days => ?)',
                [$site->id, $days],
            )->n,
            'pages' => (int) $this->db->selectOne(
                'select count(*) as n from unmade_pages where site_id = ? and created_at < now() - make_interval(days => ?)',
                [$site->id, $days],
            )->n,
        ];
    }

    /** @return array{entries: int, pages: int} */
    public function thin(Site $site, int $days): array
    {
        return $this->db->transaction(function () use ($site, $days): array {
            foreach (['history_parts', 'history_lists'] as $table) {
                $this->db->delete(
                    "delete from $table q using history h where h.id = q.entry_id and h.site_id = ? and h.created_at < now() - make_interval(days => ?)",
                    [$site->id, $days],
                );
            }

            return [
                'entries' => $this->db->update(
                    "update history set thinned_at = now(), pages = '[]', claims = '[]', menus = '[]', batch = '[]', ripple = null, start_page = null, start_page_signed_in = null, site_search = null, access = null, address_rules = null where site_id = ? and thinned_at is null and created_at < now() - make_interval(days => ?)",
                    [$site->id, $days],
                ),
                'pages' => $this->db->delete('delete from unmade_pages where site_id = ? and created_at < now() - make_interval(days => ?)', [
                    $site->id,
                    $days,
                ]),
            ];
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\Audit\AuditSite;
use App\Jobs\RefreshReach;
use App\Models\Site;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\ConnectionInterface;

/** Looks at the demo's pages as they are, and gives the site the weeks before: seeded, so that every demo is the same. */
final readonly class TellFindability
{
    /** Days of the trend before today. */
    private const DAYS = 42;

    public function __construct(private ConnectionInterface $db, private AuditSite $audit, private Dispatcher $jobs)
    {
    }

    public function tell(Site $site): void
    {
        $this->jobs->dispatchSync(new RefreshReach($site->id));
        $this->audit->expectAll($site);
        // What stood before is no fault of a change that only came near it.
        $this->db->update('update audit_due set entry_id = null where site_id = ?', [$site->id]);
        $this->audit->run($site);
        mt_srand(20260101);
        // What no change brought about stands as long as the demo goes back.
        $this->db->update(
            'update findings set since = now() - make_interval(days => 8 + (hashtext(page_id || check_code) & 31)) where site_id = ? and entry_id is null',
            [$site->id],
        );
        // A page that a change of the last week made or put live brought its findings with it.
        $this->db->update(
            <<<'SQL'
            update findings f set entry_id = h.id, since = h.created_at from pages p join lateral (
                select h.id, h.created_at from history h where h.site_id = p.site_id and p.ulid = any(h.touched)
                    and h.kinds && '{make,go-live}' and h.created_at > now() - interval '7 days' order by h.id desc limit 1
            ) h on true where f.page_id = p.id and f.site_id = ?
            SQL
            ,
            [$site->id],
        );
        $today = $this->db->selectOne('select pages, clean, weight, passed, findings from audit_days where site_id = ?', [$site->id]);
        for ($ago = 1; $today !== null && $ago <= self::DAYS; $ago++) {
            $share = $ago / self::DAYS;
            $this->db->insert('insert into audit_days (site_id, day, pages, clean, weight, passed, findings) values (?, current_date - ?::int, ?, ?, ?, ?, ?)', [
                $site->id,
                $ago,
                $today->pages,
                max(0, (int) round($today->clean * (1 - 0.5 * $share)) - mt_rand(0, 1)),
                $today->weight,
                (int) round($today->passed * (1 - 0.05 * $share)) - mt_rand(0, (int) ($today->weight / 300)),
                (int) round($today->findings * (1 + 0.4 * $share)) + mt_rand(0, 4),
            ]);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\Audit\AuditSite;
use App\Jobs\RefreshReach;
use App\Models\Site;
use App\Store\EngineMessages;
use App\Store\Searches;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\ConnectionInterface;

/** Looks at the demo's pages as they are, and gives the site the weeks before: seeded, so that every demo is the same. */
final readonly class TellFindability
{
    /** Days of the trend before today. */
    private const DAYS = 42;

    /** What visitors searched, what came of it, and about how often. */
    private const SEARCHES = [
        ['pet passport', 'nothing', 14],
        ['timetabel', 'near', 9],
        ['wheelchair', 'nothing', 8],
        ['gift voucher', 'nothing', 6],
        ['vanesey', 'near', 5],
        ['hovercraft', 'nothing', 3],
        ['timetable', 'found', 61],
        ['fares car', 'found', 38],
        ['parking', 'found', 22],
        ['dogs', 'found', 17],
        ['lost umbrella', 'nothing', 2],
    ];

    public function __construct(
        private ConnectionInterface $db,
        private AuditSite $audit,
        private Dispatcher $jobs,
        private EngineMessages $messages,
        private Searches $searches,
    ) {
    }

    public function tell(Site $site): void
    {
        $this->jobs->dispatchSync(new RefreshReach($site->id));
        $this->audit->expectAll($site);
        // What stood before is no fault of a change that only came near it.
        $this->db->update('update audit_due set entry_id = null where site_id = ?', [$site->id]);
        $this->audit->run($site);
        $this->audit->noteDay($site);
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
        // And one that gave a page the title of another.
        $this->db->update(
            <<<'SQL'
            update findings f set entry_id = h.id, since = h.created_at from pages p join lateral (
                select h.id, h.created_at from history h where h.site_id = p.site_id and p.ulid = any(h.touched)
                    and h.kinds @> '{describe,publish}' and h.created_at > now() - interval '7 days' order by h.id desc limit 1
            ) h on true where f.page_id = p.id and f.site_id = ? and f.check_code = 'title-equal'
            SQL
            ,
            [$site->id],
        );
        // Nobody is told of how the demo was made.
        $this->messages->forget($site);
        $site->key === 'ferries' && $this->searches->add($this->searched($site));
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

    /** @return list<array{site: int, words: string, outcome: string, times: int, first: int, last: int}> */
    private function searched(Site $site): array
    {
        $now = now()->getTimestamp();

        return array_values(array_map(
            static fn (array $search): array => [
                'site' => $site->id,
                'words' => $search[0],
                'outcome' => $search[1],
                'times' => $search[2],
                'first' => $now - 86400 * mt_rand(10, 21),
                'last' => $now - 3600 * mt_rand(1, 200),
            ],
            self::SEARCHES,
        ));
    }
}

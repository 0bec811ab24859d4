<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\SiteMenus;
use App\Models\Site;
use App\Store\AuditQueue;
use App\Store\LinkEdges;
use App\Store\PgArray;
use Heronstem\Core\Linking\ClickDistance;
use Heronstem\Core\Linking\PageRank;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Foundation\Queue\Queueable;

/** Works out clicks and links of every page anew; follows structural changes, and can be run at any time. */
final class RefreshReach implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    /** Seconds after which a job that never ran no longer keeps another from being queued. */
    public int $uniqueFor = 60;

    public function __construct(public readonly int $siteId)
    {
        $this->onConnection(config('queue.worked_out'));
    }

    public function uniqueId(): string
    {
        return (string) $this->siteId;
    }

    public function handle(ConnectionInterface $db, SiteMenus $menus, AuditQueue $audit, LinkEdges $edges): void
    {
        $this->workOut($db, $menus, $audit, $edges);
        AuditPages::dispatch($this->siteId);
    }

    /** The work itself, with nobody told of it. */
    public function workOut(ConnectionInterface $db, SiteMenus $menus, AuditQueue $audit, LinkEdges $edges): void
    {
        $site = Site::query()->find($this->siteId);
        if ($site === null) {
            return;
        }
        // What changes while this is worked out is worked out by the next.
        $begun = $db->scalar('select clock_timestamp()::text');
        $menu = [];
        $live = $edges->pages($site);
        $leadsTo = $edges->among($site, $live);
        $ids = array_column($live, 'id', 'ulid');
        foreach ($menus->pages($site) as $page) {
            $menu[] = $ids[$page] ?? 0;
        }
        $clicks = $site->start_page_id === null ? [] : ClickDistance::clicks($site->start_page_id, $menu, $leadsTo);
        $clicks = array_intersect_key($clicks, array_column($live, null, 'id'));
        $weights = self::weights(array_column($live, 'id'), $leadsTo);
        $moved = $db->select(
            <<<'SQL'
            with n as (select * from unnest(?::bigint[], ?::int[]) as n(id, clicks)),
            into_page as (select l.to_page_id as id, count(*) as links from links l join pages f on f.id = l.from_page_id where f.site_id = ? and f.state = 'live' group by 1)
            update pages p set clicks = r.clicks, links_in = r.links, reach_due = p.reach_due and p.updated_at > ?
            from (select p2.id, n.clicks, coalesce(i.links, 0) as links from pages p2 left join n on n.id = p2.id left join into_page i on i.id = p2.id where p2.site_id = ?) r
            where r.id = p.id and (p.reach_due or p.clicks is distinct from r.clicks or p.links_in <> r.links)
            returning p.id
            SQL
            ,
            [PgArray::of(array_keys($clicks)), PgArray::of($clicks), $site->id, $begun, $site->id],
        );
        $db->update(
            'update pages p set weight = w.weight from unnest(?::bigint[], ?::real[]) as w(id, weight) where w.id = p.id and abs(p.weight - w.weight) > 1e-7',
            [PgArray::of(array_keys($weights)), PgArray::of(array_map(strval(...), $weights))],
        );
        $audit->addNumbered($site, array_column($moved, 'id'));
    }

    /**
     * How much weight links give each page: those of content, and of the tree up and down. Menus stand on every page alike,
     * and so tell pages apart by nothing.
     *
     * @param  list<int>  $pages
     * @param  array<int, list<int>>  $leadsTo
     * @return array<int, float>
     */
    private static function weights(array $pages, array $leadsTo): array
    {
        $numbers = array_flip($pages);
        $edges = [];
        foreach ($leadsTo as $from => $targets) {
            if (isset($numbers[$from])) {
                foreach ($targets as $to) {
                    if (isset($numbers[$to])) {
                        $edges[$numbers[$from]][] = $numbers[$to];
                    }
                }
            }
        }

        return $pages === [] ? [] : array_combine($pages, PageRank::of(count($pages), $edges));
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Visitors\Gates;
use Heronstem\Core\Visitors\PageAccess;
use Illuminate\Database\ConnectionInterface;

/** The pages of a site that say who sees them, and with every page the nearest of these. */
final readonly class StoredGates
{
    /** Fields of a page that bear on it. */
    private const FIELDS = ['parent' => true, 'access' => true, 'state' => true];

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** By the number of the page. */
    public function of(Site $site): Gates
    {
        $gates = [];
        foreach (
            $this->db->select(
                KeptPlans::MARK.'select p.id, p.access::text as access, a.gate_id as above from pages p left join pages a on a.id = p.parent_id
                    where p.site_id = ? and p.access is not null',
                [$site->id],
            ) as $row
        ) {
            $access = PageAccess::stored($row->access);
            if ($access !== null) {
                $gates[$row->id] = ['access' => $access, 'above' => $row->above];
            }
        }

        return new Gates($gates);
    }

    /** @return list<string> every network that somebody has to come from to see some page, of whatever site */
    public function networks(): array
    {
        $rows = $this->db->select(
            "select distinct n from pages, jsonb_array_elements_text(access->'networks') n where access is not null and access->'networks' is not null and state <> 'bin' order by n",
        );

        return array_column($rows, 'n');
    }

    /** Cost: nothing where no page of the site says anything and none did. */
    public function after(Ripple $ripple, Site $site): void
    {
        $changed = $ripple->pages->topsWhere(
            static fn (PageDifference $difference): bool => ! $difference->wasRemoved() &&
                array_intersect_key($difference->after ?? [], self::FIELDS) !== [],
        );
        if ($changed !== []) {
            $this->refresh($site, 'p.path <@ any(select path from pages where site_id = ? and ulid = any(?::text[]))', [
                $site->id,
                PgArray::of($changed),
            ]);
        }
    }

    /** @param  list<mixed>  $bindings */
    private function refresh(Site $site, string $which, array $bindings): void
    {
        $known = $this->db->scalar('select exists (select 1 from pages where site_id = ? and (access is not null or gate_id is not null))', [
            $site->id,
        ]);
        if ($known !== true) {
            return;
        }
        $this->db->update(
            <<<SQL
            with gates as materialized (select id, path from pages where site_id = ? and access is not null), e as (
                select p.id, (select g.id from gates g where g.path @> p.path order by nlevel(g.path) desc limit 1) as gate
                from pages p where p.site_id = ? and $which
            )
            update pages p set gate_id = e.gate from e where e.id = p.id and p.gate_id is distinct from e.gate
            SQL
            ,
            [$site->id, $site->id, ...$bindings],
        );
    }
}

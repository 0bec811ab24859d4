<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\SearchDefaults;
use Illuminate\Database\ConnectionInterface;

/**
 * Keeps with every page what it inherits of index, sitemap and the site's own search, for lists that cannot look upwards: the nearest that says
 * it of page, branch, layout and site, as EffectiveSearch has it.
 */
final readonly class InheritedSearch
{
    /** Fields of a page that bear on it. */
    private const FIELDS = ['parent' => true, 'layout' => true, 'search' => true, 'branchSearch' => true];

    public function __construct(private ConnectionInterface $db)
    {
    }

    public function after(Ripple $ripple, Site $site): void
    {
        if ($ripple->search->settings?->concernsPages() === true) {
            $this->refreshSite($site);

            return;
        }
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

    public function refreshSite(Site $site): void
    {
        $this->refresh($site, 'true', []);
    }

    /** @param  list<mixed>  $bindings */
    private function refresh(Site $site, string $which, array $bindings): void
    {
        $search = SiteSearch::stored($site->search);
        $defaults = json_encode($search->defaults->toArray() ?: new \stdClass(), JSON_THROW_ON_ERROR);
        $layouts = json_encode(
            array_map(static fn (SearchDefaults $of): array => $of->toArray(), $search->layouts) ?: new \stdClass(),
            JSON_THROW_ON_ERROR,
        );
        $this->db->update(
            <<<SQL
            with s as (select ?::jsonb as defaults, ?::jsonb as layouts), branches as materialized (
                select path, branch_search from pages where site_id = ? and branch_search is not null
            ), e as (
                select p.id,
                    coalesce((p.search->'own'->>'index')::bool,
                        (select (b.branch_search->>'index')::bool from branches b where b.branch_search->>'index' is not null and b.path @> p.path order by nlevel(b.path) desc limit 1),
                        (s.layouts->p.layout->>'index')::bool, (s.defaults->>'index')::bool, true) as indexed,
                    coalesce((p.search->'own'->>'inSitemap')::bool,
                        (select (b.branch_search->>'inSitemap')::bool from branches b where b.branch_search->>'inSitemap' is not null and b.path @> p.path order by nlevel(b.path) desc limit 1),
                        (s.layouts->p.layout->>'inSitemap')::bool, (s.defaults->>'inSitemap')::bool, true) and p.search->>'canonical' is null as in_sitemap,
                    coalesce((p.search->'own'->>'inSiteSearch')::bool,
                        (select (b.branch_search->>'inSiteSearch')::bool from branches b where b.branch_search->>'inSiteSearch' is not null and b.path @> p.path order by nlevel(b.path) desc limit 1),
                        (s.layouts->p.layout->>'inSiteSearch')::bool, (s.defaults->>'inSiteSearch')::bool, true) as in_site_search
                from pages p, s where p.site_id = ? and $which
            )
            update pages p set indexed = e.indexed, in_sitemap = e.in_sitemap, in_site_search = e.in_site_search from e
            where e.id = p.id and (p.indexed <> e.indexed or p.in_sitemap <> e.in_sitemap or p.in_site_search <> e.in_site_search)
            SQL
            ,
            [$defaults, $layouts, $site->id, $site->id, ...$bindings],
        );
    }
}

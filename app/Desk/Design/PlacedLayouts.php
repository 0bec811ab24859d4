<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Models\Page;
use App\Models\Site;
use App\Store\MadeOf;
use App\Store\PgArray;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\Page as TreePage;
use Illuminate\Database\ConnectionInterface;

/** Layouts as pages have them at their places: with the fields that groups above them give. */
final readonly class PlacedLayouts
{
    public function __construct(private ReadLayouts $layouts, private ConnectionInterface $db)
    {
    }

    /**
     * As those who write have it.
     *
     * @param  string|null  $key  of the layout that the page is to get; null for the one it has
     */
    public function of(Page $page, ?string $key = null): Layout
    {
        return $this->at($page->site_id, [$page->ulid => $key ?? $page->layout])[$page->ulid];
    }

    /** As visitors have it. */
    private function shown(Page $page): Layout
    {
        return $this->at($page->site_id, [$page->ulid => $page->layout], true)[$page->ulid];
    }

    /** With what the site says where the page says nothing, as visitors have it or, not live, as those who write do. */
    public function saying(Page $page, Site $site, bool $live): Layout
    {
        return ($live ? $this->shown($page) : $this->of($page))->withDefaults($site->searchSettings()->fieldDefaults[$page->layout] ?? []);
    }

    /**
     * @param  array<TreePage>  $pages
     * @return array<string, Layout> by page
     */
    public function ofAll(Site $site, array $pages): array
    {
        return $this->at($site->id, array_column($pages, 'layout', 'id'));
    }

    /** As pages right inside a group have it, for those who write or, live, for visitors. */
    public function inside(Page $group, Layout $layout, bool $live = false): Layout
    {
        return $this->insideAll($group->site_id, [$group->ulid], $layout, $live)[$group->ulid];
    }

    /**
     * The groups that give pages of the layout fields, in the order of the tree.
     *
     * @return list<array{Page, Layout, int}> group, the layout as pages right inside have it, pages of it in the branch
     */
    public function groupsOf(Site $site, Layout $layout): array
    {
        $groups = Page::query()
            ->where('site_id', $site->id)
            ->where('layout', $layout->fieldsFrom)
            ->where('state', '<>', 'bin')
            ->selectRaw(
                "*, (select count(*) from pages i where i.site_id = pages.site_id and i.path <@ pages.path and i.layout = ? and i.state <> 'bin') as items",
                [$layout->key],
            )
            ->orderBy('path')
            ->get();
        $placed = $this->insideAll($site->id, $groups->pluck('ulid')->all(), $layout, false);

        return array_values(
            $groups->map(static fn (Page $group): array => [$group, $placed[$group->ulid], (int) $group->getAttribute('items')])->all(),
        );
    }

    /**
     * @param  array<string>  $groups
     * @return array<string, Layout> by group
     */
    private function insideAll(int $site, array $groups, Layout $layout, bool $live): array
    {
        $above = $this->groups($site, array_values($groups), [(string) $layout->fieldsFrom], $live, true);
        $all = $this->layouts->all();
        $placed = [];
        foreach ($groups as $group) {
            $placed[$group] = $all->below($layout, $above[$group] ?? []);
        }

        return $placed;
    }

    /**
     * @param  array<string, string>  $keys  of layouts, by page
     * @return array<string, Layout>
     */
    private function at(int $site, array $keys, bool $live = false): array
    {
        $layouts = array_map($this->layouts->of(...), $keys);
        $placed = array_filter($layouts, static fn (Layout $layout): bool => $layout->fieldsFrom !== null);
        if ($placed === []) {
            return $layouts;
        }
        $from = array_values(array_unique(array_map(static fn (Layout $layout): string => (string) $layout->fieldsFrom, $placed)));
        $groups = $this->groups($site, array_map(strval(...), array_keys($placed)), $from, $live);
        $all = new Layouts(array_map($this->layouts->of(...), $from));
        foreach ($placed as $page => $layout) {
            $layouts[$page] = $all->below($layout, $groups[$page] ?? []);
        }

        return $layouts;
    }

    /**
     * What stands in the fields of groups above pages, the nearest first.
     *
     * @param  list<string>  $pages
     * @param  list<string>  $layouts  those of groups
     * @param  bool  $withSelf  whether a page counts among the groups above it
     * @return array<string, list<FieldValues>> by page
     */
    private function groups(int $site, array $pages, array $layouts, bool $live, bool $withSelf = false): array
    {
        $groups = [];
        foreach (
            $this->db->select(
                <<<'SQL'
                select p.ulid, g.id as group_id, g.fields, g.prepared->>'fields' as prepared, g.state from pages p
                join pages g on g.id = any(string_to_array(p.path::text, '.')::bigint[]) and (g.id <> p.id or ?) and g.layout = any(?::text[])
                where p.site_id = ? and p.ulid = any(?::text[]) order by nlevel(g.path) desc
                SQL
                ,
                [$withSelf, PgArray::of($layouts), $site, PgArray::of($pages)],
            ) as $row
        ) {
            MadeOf::given($row->group_id);
            $groups[$row->ulid][] = FieldValues::stored($live && $row->state === 'live' ? $row->fields : $row->prepared ?? $row->fields);
        }

        return $groups;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\ReadLayouts;
use App\Models\Site;
use App\Store\StoredPages;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Search\DescriptionSource;
use Heronstem\Core\Search\FittedText;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Search\TextPattern;
use Heronstem\Core\Search\TitleSource;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\SearchDefaults;
use Illuminate\Database\ConnectionInterface;

/** What patterns would make of the pages that inherit them, before they are set. */
final readonly class SamplePattern
{
    /** Pages shown. */
    private const SHOWN = 10;

    public function __construct(private ConnectionInterface $db, private ReadLayouts $layouts)
    {
    }

    /**
     * Cost: one pass over the pages concerned.
     *
     * @param  string|null  $branch  page whose branch it is tried on; null for the site, or a layout
     * @param  array<string, string|null>  $patterns  titlePattern and descriptionPattern, as they are typed
     * @return array{pages: int, cut: int, changed: int, sample: list<array<string, mixed>>}
     */
    public function of(Site $site, ?string $branch, ?string $layout, array $patterns): array
    {
        foreach ($patterns as $field => $pattern) {
            TextPattern::read((string) $pattern, $field);
        }
        $stored = new StoredPages($this->db, $site);
        $was = $site->searchSettings();
        $is = $branch === null ? $was->withDefaults($patterns, $layout) : $was;
        $facts = $site->facts();
        $known = [];
        if ($branch !== null) {
            foreach ($stored->withAncestors([$branch]) as $page) {
                $known[$page->id] = $page;
            }
        }
        $after = $known;
        $count = ['pages' => 0, 'cut' => 0, 'changed' => 0];
        $samples = [[], [], []];
        foreach ($branch === null ? $stored->whole() : $stored->branch($branch) as $page) {
            $known[$page->id] = $page;
            $after[$page->id] = $page->id === $branch ? $page->with(['branchSearch' => $page->branchSearch->changed($patterns)]) : $page;
            if ($page->kind !== PageKind::Page || ($layout !== null && $page->layout !== $layout)) {
                continue;
            }
            $before = $this->appearance($page, $known, $was);
            $then = $this->appearance($after[$page->id], $after, $is);
            $title = SearchTitle::of($then, $facts);
            $description = SearchDescription::of($then, $facts);
            $isPatterned = $title->source === TitleSource::Pattern || $description->source === DescriptionSource::Pattern;
            if (! $isPatterned) {
                continue;
            }
            $former = SearchTitle::of($before, $facts)->text;
            $isCut = $title->width() > SearchTitle::MAX_WIDTH;
            $count['pages']++;
            $count['cut'] += $isCut ? 1 : 0;
            $count['changed'] += $former === $title->text ? 0 : 1;
            // What changes for the worse is worth seeing first, then what changes.
            $worth = $former === $title->text ? 2 : ($isCut ? 0 : 1);
            if (count($samples[$worth]) < self::SHOWN) {
                $samples[$worth][] = [
                    'page' => $page->id,
                    'name' => $page->name,
                    'before' => $former,
                    'after' => $title->text,
                    'shown' => $title->shown(),
                    'width' => round($title->width(), 1),
                    'isCut' => $isCut,
                    'description' => $description->source === DescriptionSource::Pattern
                            ? FittedText::within($description->text, SearchDescription::MAX_WIDTH, SearchDescription::SIZE)
                            : null,
                ];
            }
        }

        return [...$count, 'sample' => array_slice(array_merge(...$samples), 0, self::SHOWN)];
    }

    /** @param  array<string, Page>  $known */
    private function appearance(Page $page, array $known, SiteSearch $search): PageFacts
    {
        $above = $page->ancestorsIn($known);

        return PageFacts::inTree(
            $page,
            $above,
            $search->for($page, $above),
            layout: fn (): Layout => $this->layouts->all()->withDefaults($search->fieldDefaults)->at($page->layout, $above),
        );
    }

    /** @return list<array{scope: string, page: string|null, name: string, settings: array<string, mixed>}> patterns and settings that are set, from the site down */
    public function settings(Site $site): array
    {
        $search = $site->searchSettings();
        $rows = [['scope' => 'site', 'page' => null, 'name' => $site->name, 'settings' => ReadAppearance::defaults($search->defaults)]];
        foreach ($this->layouts->all()->keys() as $layout) {
            $rows[] = [
                'scope' => 'layout',
                'page' => null,
                'name' => $layout,
                'settings' => ReadAppearance::defaults($search->layouts[$layout] ?? new SearchDefaults()),
            ];
        }
        foreach (
            $this->db->select(
                "select ulid, name, branch_search::text as says from pages where site_id = ? and branch_search is not null and state <> 'bin' order by path",
                [$site->id],
            ) as $row
        ) {
            $rows[] = [
                'scope' => 'branch',
                'page' => $row->ulid,
                'name' => $row->name,
                'settings' => ReadAppearance::defaults(SearchDefaults::stored($row->says)),
            ];
        }

        return $rows;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\LinkEdges;
use Heronstem\Core\Linking\DrawnGraph;

/** The links of a site as a drawing: pages around the start page by clicks, and what leads where. */
final readonly class DrawLinks
{
    /** Pages that are drawn; beyond that the drawing says how many are left out. */
    private const MAX_PAGES = 2000;

    /** Of those that nothing leads to. */
    private const MAX_LOST = 100;

    public function __construct(private LinkEdges $edges, private SiteMenus $menus)
    {
    }

    /** @return array<string, mixed> */
    public function of(Site $site): array
    {
        $pages = $this->edges->drawn($site, self::MAX_PAGES, self::MAX_LOST);
        $numbers = array_flip(array_column($pages, 'id'));
        $byIdentity = array_flip(array_column($pages, 'ulid'));
        $links = [];
        foreach ($pages as $n => $page) {
            $parent = $numbers[$page->parent_id] ?? null;
            if ($parent !== null) {
                $links[] = [$n, $parent];
                if ($page->listed) {
                    $links[] = [$parent, $n];
                }
            }
        }
        $contents = array_map(
            static fn (object $link): array => [$numbers[$link->f], $numbers[$link->t]],
            $this->edges->contents(array_keys($numbers)),
        );
        $start = $numbers[$site->start_page_id] ?? null;
        $menu = [];
        foreach ($start === null ? [] : $this->menus->pages($site) as $target) {
            if ($start !== null && isset($byIdentity[$target])) {
                $menu[] = [$start, $byIdentity[$target]];
            }
        }
        $drawn = DrawnGraph::of(
            array_map(static fn (\stdClass $page): ?int => $page->clicks, $pages),
            [...$links, ...$contents, ...$menu],
            array_map(static fn (\stdClass $page): ?int => $numbers[$page->parent_id] ?? null, $pages),
        );

        return [
            'pages' => array_map(
                static fn (\stdClass $page, array $at): array => [
                    'id' => $page->ulid,
                    'name' => $page->name,
                    'address' => $page->address,
                    'section' => $page->section,
                    'clicks' => $page->clicks,
                    'linksIn' => $page->links_in,
                    'weight' => round(1000 * $page->weight, 2),
                    'x' => round($at[0], 1),
                    'y' => round($at[1], 1),
                ],
                $pages,
                $drawn->places,
            ),
            'rings' => array_map(static fn (float $radius): float => round($radius, 1), $drawn->rings),
            'ways' => $drawn->ways,
            // Of tree and menus only the ways are drawn: what stands on every page alike would cover everything.
            'links' => self::unlike($contents, $drawn->ways),
            'total' => $this->edges->count($site),
        ];
    }

    /**
     * @param  list<array{int, int}>  $links
     * @param  list<array{int, int}>  $ways
     * @return list<array{int, int}>
     */
    private static function unlike(array $links, array $ways): array
    {
        $drawn = array_fill_keys(array_map(static fn (array $way): string => "{$way[0]} {$way[1]}", $ways), true);

        return array_values(array_filter($links, static fn (array $link): bool => ! isset($drawn["{$link[0]} {$link[1]}"])));
    }
}

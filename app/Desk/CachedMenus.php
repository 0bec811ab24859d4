<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\Places;
use App\Models\Site;
use App\Store\NextMoment;
use App\Store\StoredMenus;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Contracts\Cache\Repository as Cache;
use Illuminate\Database\Connection;

/** The menus of a public site, each kept resolved until something that it can show changes, or by itself appears or ends. */
final readonly class CachedMenus
{
    /** Seconds after which a menu is worked out anew in any case: bounds what a reader who met a change half way can have kept. */
    private const MAX_SECONDS = 60;

    public function __construct(
        private Cache $cache,
        private Connection $db,
        private SiteMenus $menus,
        private NextMoment $next,
        private LookedAt $looked,
        private SeenBy $seen,
    ) {
    }

    /** @return array<string, list<ResolvedEntry>> what the viewer sees at each of the layout's places */
    public function shown(Site $site, Viewer $viewer): array
    {
        if (! $this->looked->isNow()) {
            return $this->menus->shown($site, $viewer, $this->looked->moment());
        }
        /** @var array<string, list<ResolvedEntry>>|null $kept */
        $kept = $this->cache->get($this->together($site, $this->seenAs($viewer)));
        if ($kept === null) {
            $kept = $this->gathered($site, $viewer);
            $this->cache->put($this->together($site, $this->seenAs($viewer)), $kept, $this->secondsLeft($site));
            $this->remember("menu-viewers.{$site->id}", $viewer);
        }

        return $kept;
    }

    /** @return array<string, list<ResolvedEntry>> from menus that are kept, and anew where one is not */
    private function gathered(Site $site, Viewer $viewer): array
    {
        $shown = array_map(static fn (): array => [], Places::all());
        $placed = array_filter((new StoredMenus($this->db, $site))->all(), static fn (Menu $menu): bool => $menu->place !== null);
        $kept = $this->cache->many(array_map(fn (Menu $menu): string => $this->key($menu->id, $viewer), array_values($placed)));
        $resolver = null;
        foreach ($placed as $menu) {
            /** @var list<ResolvedEntry>|null $entries */
            $entries = $kept[$this->key($menu->id, $viewer)] ?? null;
            if ($entries === null) {
                $resolver ??= $this->menus->resolver($site, $placed, $viewer);
                $entries = $resolver->shown($menu);
                $this->cache->put($this->key($menu->id, $viewer), $entries, $this->secondsLeft($site));
                $this->remember("menu-viewers.{$site->id}.{$menu->id}", $viewer);
            }
            $shown[(string) $menu->place] = $entries;
        }

        return $shown;
    }

    /** What a batch may have changed is worked out anew at the next visit; everything else stays. */
    public function forget(Site $site, Ripple $ripple): void
    {
        if (
            array_filter($ripple->pages->differences, static fn (PageDifference $each): bool => in_array('who sees it', $each->aspects(), true)) !== []
        ) {
            $this->forgetAll($site);

            return;
        }
        foreach ($ripple->menusAndLinks->touched as $menu) {
            $this->forgetMenu($site, $menu);
        }
    }

    /** For what is no part of the structure: texts on cards, pointers whose page has moved. */
    public function forgetAll(Site $site): void
    {
        foreach (array_keys((new StoredMenus($this->db, $site))->all()) as $menu) {
            $this->forgetMenu($site, $menu);
        }
    }

    private function forgetMenu(Site $site, string $menu): void
    {
        foreach ($this->viewers("menu-viewers.{$site->id}.$menu") as $key) {
            $this->cache->forget("menu.$menu.$key");
        }
        $this->forgetTogether($site);
    }

    private function forgetTogether(Site $site): void
    {
        foreach ($this->viewers("menu-viewers.{$site->id}") as $key) {
            $this->cache->forget($this->together($site, $key));
        }
    }

    private function remember(string $list, Viewer $viewer): void
    {
        $known = $this->viewers($list);
        $key = $this->seenAs($viewer);
        if (! in_array($key, $known, true)) {
            $this->cache->forever($list, [...$known, $key]);
        }
    }

    /** @return list<string> those who look at the same, by the key they have in common */
    private function viewers(string $list): array
    {
        $known = $this->cache->get($list);

        return is_array($known) ? array_values($known) : [];
    }

    private function secondsLeft(Site $site): int
    {
        return max(1, min(self::MAX_SECONDS, $this->next->of($site) - now()->getTimestamp()));
    }

    /** Menus are the same for those who are of one kind and to whom the same pages are open. */
    private function seenAs(Viewer $viewer): string
    {
        return trim("{$viewer->key()} {$this->seen->key()}");
    }

    private function together(Site $site, string $viewer): string
    {
        return "menus.{$site->id}.$viewer";
    }

    private function key(string $menu, Viewer $viewer): string
    {
        return "menu.$menu.{$this->seenAs($viewer)}";
    }
}

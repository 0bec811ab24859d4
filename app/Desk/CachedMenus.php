<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\Places;
use App\Models\Site;
use App\Store\MadeOf;
use App\Store\NextMoment;
use App\Store\PageCache;
use App\Store\StoredMenus;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Illuminate\Contracts\Cache\Repository as Cache;
use Illuminate\Database\Connection;

/** The menus of a public site, each kept resolved until something that it can show changes, or by itself appears or ends. */
final readonly class CachedMenus
{
    /** Seconds after which a menu is worked out anew in any case: shorter than changes are remembered. */
    private const MAX_SECONDS = 600;

    public function __construct(
        private Cache $cache,
        private Connection $db,
        private SiteMenus $menus,
        private NextMoment $next,
        private LookedAt $looked,
        private SeenBy $seen,
        private PageCache $changes,
    ) {
    }

    /** What the viewer sees at each of the layout's places. */
    public function shown(Site $site, Viewer $viewer): ShownMenus
    {
        if (! $this->looked->isNow()) {
            return new ShownMenus($this->menus->shown($site, $viewer, $this->looked->moment()));
        }
        $key = "menus.{$site->id}.{$this->seenAs($viewer)}";
        $kept = $this->kept($key, $site);
        if ($kept === null) {
            $mark = $this->changes->mark();
            $kept = $this->gathered($site, $viewer);
            $all = array_values(array_unique(array_merge(['m'], ...array_values($kept['parts']))));
            $this->cache->put($key, $kept + ['mark' => $mark, 'all' => $all], $this->secondsLeft($site));
        }

        return new ShownMenus($kept['made'], $kept['parts']);
    }

    /** @return array{made: array<string, list<ResolvedEntry>>, parts: array<string, list<string>>} by place: from menus that are kept, and anew where one is not */
    private function gathered(Site $site, Viewer $viewer): array
    {
        $shown = array_map(static fn (): array => [], Places::all());
        // A menu may come to stand where none does.
        $parts = array_map(static fn (): array => ['m'], $shown);
        $placed = array_filter((new StoredMenus($this->db, $site))->all(), static fn (Menu $menu): bool => $menu->place !== null);
        $resolver = null;
        foreach ($placed as $menu) {
            $key = "menu.{$menu->id}.".hash('xxh3', serialize($menu)).".{$this->seenAs($viewer)}";
            /** @var array{made: list<ResolvedEntry>, all: list<string>}|null $kept */
            $kept = $this->kept($key, $site);
            if ($kept === null) {
                $mark = $this->changes->mark();
                $resolver ??= $this->menus->resolver($site, $placed, $viewer);
                [$made, $noted] = MadeOf::apart(static fn (): array => $resolver->shown($menu));
                // Only picks show more of a page than where it is.
                $noted = $menu->kind === MenuKind::Picks ? $noted : MadeOf::withoutCards($noted);
                $kept = ['made' => $made, 'mark' => $mark, 'all' => $noted];
                $this->cache->put($key, $kept, $this->secondsLeft($site));
            }
            $shown[(string) $menu->place] = $kept['made'];
            $parts[(string) $menu->place] = ['m', "m{$menu->id}", ...$kept['all']];
        }

        return ['made' => $shown, 'parts' => $parts];
    }

    /** @return array<string, mixed>|null what was worked out before, where nothing has changed since of what it was made of */
    private function kept(string $key, Site $site): ?array
    {
        $kept = $this->cache->get($key);

        return is_array($kept) && ! $this->changes->changedSince($kept['mark'], $site, $kept['all']) ? $kept : null;
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
}

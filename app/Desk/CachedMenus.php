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

    /** @return array<string, list<ResolvedEntry>> what the viewer sees at each of the layout's places */
    public function shown(Site $site, Viewer $viewer): array
    {
        return $this->looked->isNow()
            ? $this->kept("menus.{$site->id}.{$this->seenAs($viewer)}", $site, fn (): array => $this->gathered($site, $viewer))
            : $this->menus->shown($site, $viewer, $this->looked->moment());
    }

    /** @return array<string, list<ResolvedEntry>> from menus that are kept, and anew where one is not */
    private function gathered(Site $site, Viewer $viewer): array
    {
        MadeOf::menus();
        $shown = array_map(static fn (): array => [], Places::all());
        $placed = array_filter((new StoredMenus($this->db, $site))->all(), static fn (Menu $menu): bool => $menu->place !== null);
        $resolver = null;
        foreach ($placed as $menu) {
            $resolve = function () use ($site, $placed, $viewer, $menu, &$resolver): array {
                $resolver ??= $this->menus->resolver($site, $placed, $viewer);

                return $resolver->shown($menu);
            };
            /** @var list<ResolvedEntry> $entries */
            $entries = $this->kept("menu.{$menu->id}.".hash('xxh3', serialize($menu)).".{$this->seenAs($viewer)}", $site, $resolve);
            $shown[(string) $menu->place] = $entries;
        }

        return $shown;
    }

    /**
     * What was worked out before, where nothing has changed since of what it was made of.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    private function kept(string $key, Site $site, \Closure $work): mixed
    {
        $kept = $this->cache->get($key);
        if (is_array($kept) && ! $this->changes->changedSince($kept['mark'], $site, $kept['parts'])) {
            MadeOf::parts($kept['parts']);

            return $kept['made'];
        }
        $mark = $this->changes->mark();
        [$made, $parts] = MadeOf::noting($work);
        $this->cache->put($key, ['made' => $made, 'parts' => $parts, 'mark' => $mark], $this->secondsLeft($site));

        return $made;
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

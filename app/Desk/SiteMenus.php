<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\Places;
use App\Models\File;
use App\Models\Site;
use App\Store\MadeOf;
use App\Store\StoredMenuPages;
use App\Store\StoredMenus;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Illuminate\Database\ConnectionInterface;

/** The menus of a site, resolved for somebody at a moment. */
final readonly class SiteMenus
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return array<string, list<ResolvedEntry>> what the viewer sees at each of the layout's places */
    public function shown(Site $site, Viewer $viewer, ?Moment $at = null): array
    {
        $shown = array_map(static fn (): array => [], Places::all());
        $menus = array_filter((new StoredMenus($this->db, $site))->all(), static fn (Menu $menu): bool => $menu->place !== null);
        $resolver = $this->resolver($site, $menus, $viewer, $at);
        foreach ($menus as $menu) {
            $shown[(string) $menu->place] = $resolver->shown($menu);
        }

        return $shown;
    }

    /** @return list<string> every page that some menu leads to, whoever looks */
    public function pages(Site $site): array
    {
        $pages = [];
        $queue = array_merge(...array_values($this->shown($site, Viewer::anybody())));
        while (($entry = array_pop($queue)) !== null) {
            if ($entry->page !== null) {
                $pages[$entry->page] = true;
            }
            array_push($queue, ...$entry->under);
        }

        return array_map(strval(...), array_keys($pages));
    }

    /** @param  array<string, Menu>  $menus */
    public function resolver(Site $site, array $menus, Viewer $viewer, ?Moment $at = null): MenuResolver
    {
        $at ??= Moment::at(now()->getTimestamp());

        return new MenuResolver(new StoredMenuPages($this->db, $site, $at), $at, $viewer, $this->files($site, $menus));
    }

    /**
     * @param  array<string, Menu>  $menus
     * @return array<string, string>
     */
    private function files(Site $site, array $menus): array
    {
        $ids = array_merge([], ...array_values(array_map(static fn (Menu $menu): array => $menu->filesNamed(), $menus)));
        MadeOf::files(...$ids);

        return $ids === []
            ? []
            : File::query()
                ->where('site_id', $site->id)
                ->whereIn('ulid', $ids)
                ->get()
                ->mapWithKeys(static fn (File $file): array => [$file->ulid => $file->address()])
                ->all();
    }
}

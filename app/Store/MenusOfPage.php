<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Menu\Menu;
use Illuminate\Database\ConnectionInterface;

/** Where one page stands in the menus and picks of its site. */
final readonly class MenusOfPage
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<array{menu: string, name: string, kind: string, place: string|null, entries: int, branch: string}> every menu; branch is shows, leaves-out or none */
    public function of(Page $page, Site $site): array
    {
        $line = [...array_map(static fn (Page $each): string => $each->ulid, $page->ancestors()), $page->ulid];

        return array_values(
            array_map(
                static fn (Menu $menu): array => [
                    'menu' => $menu->id,
                    'name' => $menu->name,
                    'kind' => $menu->kind->value,
                    'place' => $menu->place,
                    'entries' => count($menu->leadingTo($page->ulid)),
                    'branch' => self::branch($menu, $line),
                ],
                (new StoredMenus($this->db, $site))->all(),
            ),
        );
    }

    /** @param  list<string>  $line  from the top of the tree down to the page */
    private static function branch(Menu $menu, array $line): string
    {
        $found = 'none';
        foreach ($menu->entries as $entry) {
            $way = $entry->wayTo($line);
            if ($way !== null && array_intersect($way, $entry->contents->out ?? []) === []) {
                return 'shows';
            }
            $found = $way === null ? $found : 'leaves-out';
        }

        return $found;
    }
}

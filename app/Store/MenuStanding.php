<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Illuminate\Database\ConnectionInterface;

/** Where one page stands in the menus and picks of its site. */
final readonly class MenuStanding
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<array{menu: string, name: string, kind: string, place: string|null, entries: int, branch: string}> every menu; branch is shows, leaves-out or none */
    public function of(Page $page, Site $site): array
    {
        $above = array_map(static fn (Page $each): string => $each->ulid, $page->ancestors());

        return array_values(array_map(static fn (Menu $menu): array => [
            'menu' => $menu->id, 'name' => $menu->name, 'kind' => $menu->kind->value, 'place' => $menu->place,
            'entries' => count($menu->leadingTo($page->ulid)), 'branch' => self::branch($menu, $page->ulid, $above),
        ], (new StoredMenus($this->db, $site))->all()));
    }

    /** @param  list<string>  $above  from the top down */
    private static function branch(Menu $menu, string $page, array $above): string
    {
        $line = [null, ...$above];
        $found = 'none';
        foreach ($menu->entries as $entry) {
            $root = $entry->kind === EntryKind::Branch ? array_search($entry->page(), $line, true) : false;
            if ($root === false || $entry->spread === null || count($line) - $root > $entry->spread->depth) {
                continue;
            }
            $found = array_intersect([...array_slice($line, $root + 1), $page], $entry->spread->out) === [] ? 'shows' : ($found === 'none' ? 'leaves-out' : $found);
        }

        return $found;
    }
}

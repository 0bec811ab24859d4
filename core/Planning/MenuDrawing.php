<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Ripple\Drawing;
use Heronstem\Core\Ripple\DrawnLine;
use Heronstem\Core\Ripple\Mark;
use Heronstem\Core\Workspace\Workspace;

/** The menus that a batch rearranges, before and after: entries in their order, those that come, go, move or change marked. */
final class MenuDrawing
{
    public static function of(Workspace $workspace): Drawing
    {
        $before = $after = [];
        $was = $workspace->menus->before();
        foreach ($workspace->menus->differences() as $difference) {
            $old = $was[$difference->menu] ?? null;
            $new = $workspace->menus->find($difference->menu);
            array_push($before, ...self::lines($old, $new, Mark::Goes, $workspace));
            array_push($after, ...self::lines($new, $old, Mark::Comes, $workspace));
        }

        return new Drawing(array_slice($before, 0, Drawing::MAX_LINES), array_slice($after, 0, Drawing::MAX_LINES));
    }

    /**
     * @param  Mark  $alone  of an entry that the other side does not have
     * @return list<DrawnLine>
     */
    private static function lines(?Menu $menu, ?Menu $other, Mark $alone, Workspace $workspace): array
    {
        if ($menu === null) {
            return [];
        }
        $lines = [new DrawnLine(null, $menu->name, 0, $other === null ? $alone : null, 0)];
        $place = self::places($menu, $other);
        $there = $other === null ? [] : self::places($other, $menu);
        foreach ($menu->inOrder() as $entry) {
            $same = $other->entries[$entry->id] ?? null;
            $mark = match (true) {
                $same === null => $alone,
                $place[$entry->id] !== $there[$entry->id] => Mark::Moves,
                $same->with(['position' => $entry->position])->toArray() !== $entry->toArray() => Mark::Changes,
                default => null,
            };
            $lines[] = new DrawnLine($entry->page(), self::label($entry, $workspace), $entry->parent === null ? 1 : 2, $mark, 0);
        }

        return $lines;
    }

    /** @return array<string, string> where each entry stands among those that both sides have, by entry */
    private static function places(Menu $menu, ?Menu $other): array
    {
        $places = $counts = [];
        foreach ($menu->inOrder() as $entry) {
            $isShared = isset($other->entries[$entry->id]);
            $counts[(string) $entry->parent] = ($counts[(string) $entry->parent] ?? 0) + ($isShared ? 1 : 0);
            $places[$entry->id] = "$entry->parent ".$counts[(string) $entry->parent];
        }

        return $places;
    }

    private static function label(Entry $entry, Workspace $workspace): string
    {
        $page = $entry->page() === null ? null : $workspace->pages->find($entry->page());
        $name = $entry->label !== '' ? $entry->label : $page->name ?? (string) $entry->leadsTo?->value;

        return match (true) {
            $entry->kind === EntryKind::Branch => $page === null ? 'Pages at the top of the tree' : "Pages inside {$page->name}",
            $entry->kind === EntryKind::Separator => '—',
            default => $name,
        };
    }
}

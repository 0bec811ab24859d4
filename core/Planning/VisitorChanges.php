<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Ripple\VisitorChange;
use Heronstem\Core\Ripple\VisitorEffects;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Visitors\PageAccess;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** Compares who sees each page before and after a batch: that of the page itself, or of what it stands below. */
final class VisitorChanges
{
    /**
     * Cost: the branches of pages for which it changed; nothing for pages that keep theirs, wherever they go.
     */
    public static function of(Workspace $workspace, PagesAfter $outcome, AccessLines $lines): VisitorEffects
    {
        $concerned = [];
        foreach ($workspace->pages->touched() as $id) {
            $before = $workspace->pages->before($id);
            $after = $workspace->pages->find($id);
            $mayDiffer = $before !== null && $after !== null && ($before->parent !== $after->parent || $before->access !== $after->access);
            if ($mayDiffer && ! $after->isBinned() && ! self::areSame($lines->before($before), $lines->after($after))) {
                $concerned += array_flip($workspace->pages->branch($id));
            }
        }
        $changes = [];
        foreach (array_keys($concerned) as $id) {
            $changes[] = self::compare((string) $id, $workspace, $outcome, $lines);
        }
        $changes = array_values(array_filter($changes));

        return new VisitorEffects($changes, $changes === [] ? [] : self::menus($workspace, $changes));
    }

    /**
     * A page that visitors did not get, or do not get any more, is no matter of theirs.
     */
    private static function compare(string $id, Workspace $workspace, PagesAfter $outcome, AccessLines $lines): ?VisitorChange
    {
        [$before, $after] = [$workspace->pages->before($id), $workspace->pages->find($id)];
        if ($before?->isLive() !== true || $after?->isLive() !== true) {
            return null;
        }
        [$was, $is] = [$lines->before($before), $lines->after($after)];

        return self::areSame($was, $is)
            ? null
            : new VisitorChange(
                $id,
                $after->name,
                ($outcome->find($id) ?? $after)->address->path,
                $after->listed,
                PageAccess::at($workspace->now(), $was),
                PageAccess::at($workspace->now(), $is),
            );
    }

    /**
     * @param  list<VisitorChange>  $changes
     * @return list<array{menu: Menu, page: string, label: string, how: \Heronstem\Core\Menu\Closed, closes: bool}>
     */
    private static function menus(Workspace $workspace, array $changes): array
    {
        $turned = [];
        foreach ($changes as $change) {
            if ($change->closes() || $change->opens()) {
                $turned[$change->page] = $change->closes();
            }
        }
        $shown = ShownEntries::after($workspace);
        $effects = [];
        foreach ($turned === [] ? [] : $workspace->menus->after() as $menu) {
            $byHand = $shown->byHand($menu);
            foreach ($menu->entries as $entry) {
                $pages = $entry->kind === EntryKind::Page ? array_intersect_key($turned, [(string) $entry->page() => true]) : [];
                foreach ($entry->kind === EntryKind::Branch ? $turned : $pages as $page => $closes) {
                    $label = self::label($shown, $byHand, $entry, (string) $page);
                    if ($label !== null) {
                        $effects[] = ['menu' => $menu, 'page' => (string) $page, 'label' => $label, 'how' => $entry->closed, 'closes' => $closes];
                    }
                }
            }
        }

        return $effects;
    }

    /**
     * @param  array<string, ShownEntry>  $byHand
     * @return string|null null where the entry does not show the page
     */
    private static function label(ShownEntries $shown, array $byHand, Entry $entry, string $page): ?string
    {
        $found = $entry->kind === EntryKind::Branch ? $shown->inBranch($entry, $page) : $byHand["$entry->id $page"] ?? null;

        return $found?->label;
    }

    /**
     * @param  list<PageAccess>  $some
     * @param  list<PageAccess>  $others
     */
    private static function areSame(array $some, array $others): bool
    {
        return $some === $others || self::texts($some) === self::texts($others);
    }

    /**
     * @param  list<PageAccess>  $line
     * @return list<string>
     */
    private static function texts(array $line): array
    {
        $texts = array_map(static fn (PageAccess $access): string => $access->toText(), $line);

        // Said to be open to everyone is the same as nothing said, where that is all.
        return count($line) === 1 && $line[0]->isEveryone() && $line[0]->isLasting() && ! $line[0]->https ? [] : $texts;
    }
}

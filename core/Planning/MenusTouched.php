<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Workspace\Workspace;

/** Which menus may look different after a batch: those that changed, or that show or showed a page it concerns. */
final class MenusTouched
{
    /**
     * @param  array<string, Page|null>  $outcome  every page that changed or moved along
     * @return list<string> identities of menus; cost: pages concerned times branches, a step a level
     */
    public static function by(Workspace $workspace, array $outcome): array
    {
        $before = ShownEntries::before($workspace);
        $after = new ShownEntries(static fn (string $id): ?Page => $outcome[$id] ?? $workspace->pages->find($id), $workspace->startPage());
        $was = $workspace->menus->before();
        $touched = [];
        $all = self::changesTimes($workspace, $outcome);
        foreach ($was + $workspace->menus->after() as $id => $menu) {
            $now = $workspace->menus->find((string) $id);
            if ($all || $now !== ($was[$id] ?? null) || self::shows($menu, $outcome, $before, $after, $workspace)) {
                $touched[] = (string) $id;
            }
        }

        return $touched;
    }

    /** @param  array<string, Page|null>  $outcome */
    private static function shows(Menu $menu, array $outcome, ShownEntries $before, ShownEntries $after, Workspace $workspace): bool
    {
        foreach ($menu->entries as $entry) {
            if ($entry->page() !== null && array_key_exists($entry->page(), $outcome)) {
                return true;
            }
            foreach ($entry->kind === EntryKind::Branch ? array_keys($outcome) : [] as $page) {
                if ($before->inBranch($entry, (string) $page) !== null || $after->inBranch($entry, (string) $page) !== null) {
                    return true;
                }
            }
            if ($entry->kind === EntryKind::Branch && $entry->page() === null && $workspace->startPage() !== $workspace->site->startPage) {
                return true;
            }
        }

        return false;
    }

    /**
     * A page that will appear or vanish by itself: menus have to be looked at again by then.
     *
     * @param  array<string, Page|null>  $outcome
     */
    private static function changesTimes(Workspace $workspace, array $outcome): bool
    {
        foreach ($workspace->pages->touched() as $id) {
            $difference = PageDifference::between($workspace->pages->before($id), $outcome[$id] ?? null);
            if (
                isset($difference->before['from']) ||
                isset($difference->before['until']) ||
                isset($difference->after['from']) ||
                isset($difference->after['until'])
            ) {
                return true;
            }
        }

        return false;
    }
}

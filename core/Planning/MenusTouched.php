<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** Which menus may look different after a batch: those that changed, or that show or showed a page it concerns. */
final class MenusTouched
{
    /**
     * @return list<string> identities of menus; cost: pages concerned times branches, a step a level
     */
    public static function by(Workspace $workspace, PagesAfter $outcome): array
    {
        $before = ShownEntries::before($workspace);
        $after = new ShownEntries(static fn (string $id): ?Page => $outcome->find($id) ?? $workspace->pages->find($id), $workspace->startPage());
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

    private static function shows(Menu $menu, PagesAfter $outcome, ShownEntries $before, ShownEntries $after, Workspace $workspace): bool
    {
        foreach ($menu->entries as $entry) {
            if ($entry->page() !== null && $outcome->has($entry->page())) {
                return true;
            }
            foreach ($entry->kind === EntryKind::Branch ? self::near($entry, $outcome, $workspace) : [] as $page) {
                if ($before->inBranch($entry, $page) !== null || $after->inBranch($entry, $page) !== null) {
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
     * Pages that the branch may show. Of those carried along plainly it shows none without a page in between that the batch touches.
     *
     * @return list<string>
     */
    private static function near(Entry $branch, PagesAfter $outcome, Workspace $workspace): array
    {
        $near = $outcome->carried()->near(($branch->contents ?? new BranchContents())->depth - 1);
        $workspace->pages->expect($near);

        return [...$outcome->singleIds(), ...$near];
    }

    /**
     * A page that will appear or vanish by itself: menus have to be looked at again by then.
     */
    private static function changesTimes(Workspace $workspace, PagesAfter $outcome): bool
    {
        foreach ($workspace->pages->touched() as $id) {
            [$before, $after] = [$workspace->pages->before($id), $outcome->find($id)];
            if ($before?->from?->seconds !== $after?->from?->seconds || $before?->until?->seconds !== $after?->until?->seconds) {
                return true;
            }
        }

        return false;
    }
}

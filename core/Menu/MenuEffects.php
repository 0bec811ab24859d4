<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\Workspace;

/** Compares the menu before and after a batch, for the pages that the batch touches. */
final class MenuEffects
{
    /** @return list<MenuEffect> */
    public static function in(Workspace $workspace): array
    {
        $before = static fn (string $id): ?Page => $workspace->before($id);
        $after = static fn (string $id): ?Page => $workspace->find($id);
        $effects = [];
        foreach (self::candidates($workspace) as $id) {
            $effect = self::compare(TreeMenu::entry($before($id), $before), TreeMenu::entry($after($id), $after), $after);
            if ($effect !== null) {
                $effects[] = $effect;
            }
        }

        return $effects;
    }

    /** @return list<string> touched pages, and children of those that stand, or stood, on the bar */
    private static function candidates(Workspace $workspace): array
    {
        $ids = [];
        foreach ($workspace->touched() as $id) {
            $ids[$id] = true;
            $was = $workspace->before($id);
            $is = $workspace->find($id);
            $onBar = ($was !== null && $was->parent === null) || ($is !== null && $is->parent === null);
            $same = $was?->parent === $is?->parent && $was?->isShown() === $is?->isShown();
            if ($was !== null && $is !== null && $onBar && ! $same) {
                foreach (array_keys($workspace->childOrder($id)) as $child) {
                    $ids[(string) $child] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }

    /** @param  \Closure(string): ?Page  $after */
    private static function compare(?MenuEntry $was, ?MenuEntry $is, \Closure $after): ?MenuEffect
    {
        if ($is === null) {
            return $was === null ? null : new MenuEffect(MenuEffectKind::Vanishes, $was->page, $was->label, null);
        }
        $kind = match (true) {
            $was === null => MenuEffectKind::Appears,
            $was->parent !== $is->parent || $was->position !== $is->position => MenuEffectKind::Moves,
            $was->label !== $is->label => MenuEffectKind::Relabels,
            default => null,
        };
        $under = $is->parent === null ? null : $after($is->parent)?->name;

        return $kind === null ? null : new MenuEffect($kind, $is->page, $is->label, $under);
    }
}

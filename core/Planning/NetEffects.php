<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;

/** What visitors notice of a menu: a page that leaves one entry and is shown by another has moved, and nothing else. */
final class NetEffects
{
    /**
     * @param  list<MenuEffect>  $effects  entry by entry
     * @return list<MenuEffect> in their order; one for each page that comes, goes or moves in a menu
     */
    public static function of(array $effects): array
    {
        $appears = [];
        foreach ($effects as $i => $effect) {
            if ($effect->kind === MenuEffectKind::Appears && $effect->page !== null) {
                $appears["{$effect->menu->id} $effect->page"][] = $i;
            }
        }
        $moves = $dropped = [];
        foreach ($effects as $i => $effect) {
            $key = "{$effect->menu->id} $effect->page";
            if ($effect->kind === MenuEffectKind::Vanishes && ($appears[$key] ?? []) !== []) {
                $dropped[$i] = true;
                $moves[array_shift($appears[$key])] = true;
            }
        }
        $net = [];
        foreach ($effects as $i => $effect) {
            if (! isset($dropped[$i])) {
                $net[] = isset($moves[$i])
                    ? new MenuEffect(MenuEffectKind::Moves, $effect->menu, $effect->entry, $effect->page, $effect->label, $effect->under)
                    : $effect;
            }
        }

        return $net;
    }
}

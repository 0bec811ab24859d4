<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Replace\Replacement;
use Heronstem\Core\Menu\Menu;

/** One menu with what was found in the labels of its entries, and how it is afterwards. */
final readonly class ReplacedMenu
{
    /** @param  list<FoundPlace>  $places */
    private function __construct(public Menu $menu, public array $places)
    {
    }

    /** @param  array<string, true>  $skip  keys of places that stay as they are */
    public static function of(Menu $menu, Replacement $replacement, array $skip): self
    {
        $places = [];
        $entries = $menu->entries;
        foreach ($menu->inOrder() as $entry) {
            $taken = [];
            foreach ($entry->label === '' ? [] : $replacement->in($entry->label) as $n => $found) {
                $key = "{$menu->id}/{$entry->id}/$n";
                $places[] = FoundPlace::of($key, 'label', false, $entry->label, $found, ! isset($skip[$key]));
                if (! isset($skip[$key])) {
                    $taken[] = $found;
                }
            }
            if ($taken !== []) {
                $entries[$entry->id] = $entry->with(['label' => trim(Replacement::made($entry->label, $taken))]);
            }
        }

        return new self($menu->with($entries), $places);
    }

    public function isChanged(): bool
    {
        return array_filter($this->places, static fn (FoundPlace $place): bool => $place->isTaken) !== [];
    }
}

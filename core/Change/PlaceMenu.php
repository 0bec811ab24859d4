<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Shows a menu at a place of the layout, or nowhere. The menu that stood there trades places with it. */
final readonly class PlaceMenu implements RequestedChange
{
    use HasShape, NamesItsMenu;

    public function __construct(public string $menu, public ?string $place)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('place-menu', Subject::Menu, Field::text('place', 'a key of the layout, or null for nowhere')->orNull());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('menu'), $input->text('place') === '' ? null : $input->text('place'));
    }

    public function on(Workspace $workspace): void
    {
        $menu = $this->menu($workspace);
        if ($menu->place === $this->place) {
            throw new NothingToChange('place', "“{$menu->name}” stands there already.");
        }
        $place =
            $this->place === null
                ? null
                : $workspace->site->places[$this->place] ??
                    throw new InputRefused(
                        'place',
                        "The layout has no place “{$this->place}”. It has ".implode(', ', array_keys($workspace->site->places)).'.',
                    );
        if ($place !== null && $place->kind !== $menu->kind) {
            throw new InputRefused('place', "The place “{$place->name}” is for ".($place->kind->value === 'picks' ? 'picks' : 'a menu').'.');
        }
        foreach ($workspace->menus->after() as $other) {
            if ($this->place !== null && $other->place === $this->place) {
                $workspace->menus->put($other->at($menu->place));
            }
        }
        $workspace->menus->put($menu->at($this->place));
    }

    public function sentence(Outcome $outcome): string
    {
        return $this->place === null
            ? "Removed {$outcome->menu($this->menu)} from its place"
            : "Placed {$outcome->menu($this->menu)} at {$this->place}";
    }

    public function toArray(): array
    {
        return ['kind' => 'place-menu', 'menu' => $this->menu, 'place' => $this->place];
    }
}

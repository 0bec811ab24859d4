<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Removes a menu with its entries. The pages it led to are untouched. */
final readonly class RemoveMenu implements RequestedChange
{
    use HasShape, NamesItsMenu;

    public function __construct(public string $menu)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('remove-menu', Subject::Menu);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('menu'));
    }

    public function on(Workspace $workspace): void
    {
        $workspace->menus->remove($this->menu($workspace)->id);
    }

    public function sentence(Outcome $outcome): string
    {
        return "Removed {$outcome->menu($this->menu)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-menu', 'menu' => $this->menu];
    }
}

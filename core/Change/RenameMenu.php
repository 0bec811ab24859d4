<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** Gives a menu another name, by which managers know it; visitors do not see it. */
final readonly class RenameMenu implements RequestedChange
{
    use HasShape, NamesItsMenu;

    public function __construct(public string $menu, public PageName $name)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('rename-menu', Subject::Menu, Field::text('name'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('menu'), $input->name());
    }

    public function on(Workspace $workspace): void
    {
        $menu = $this->menu($workspace);
        if ($menu->name === $this->name->text) {
            throw new NothingToChange('name', "The menu is called “{$menu->name}” already.");
        }
        MenuNames::guard($this->name, $menu->id, $workspace);
        $workspace->menus->put($menu->named($this->name->text));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Renamed {$outcome->menu($this->menu)} to ".Wording::name($this->name->text);
    }

    public function toArray(): array
    {
        return ['kind' => 'rename-menu', 'menu' => $this->menu, 'name' => $this->name->text];
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** Makes a menu, or a list of picks, with no entry and shown nowhere yet. */
final readonly class MakeMenu implements RequestedChange
{
    use HasShape, NamesItsMenu;

    public function __construct(public string $menu, public PageName $name, public MenuKind $of)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('make-menu', Subject::Menu, Field::text('name'), Field::choice('of', MenuKind::class)->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('menu'), $input->name(), $input->choice('of', MenuKind::Menu));
    }

    public function on(Workspace $workspace): void
    {
        if ($workspace->menus->find($this->menu) !== null) {
            throw new InputRefused('menu', 'This identity belongs to a menu already. Take a new one.');
        }
        MenuNames::guard($this->name, null, $workspace);
        $workspace->menus->put(new Menu($this->menu, $this->name->text, $this->of, null));
    }

    public function sentence(Outcome $outcome): string
    {
        return 'Made '.($this->of === MenuKind::Picks ? 'the picks ' : 'the menu ').Wording::name($this->name->text);
    }

    public function toArray(): array
    {
        return ['kind' => 'make-menu', 'menu' => $this->menu, 'name' => $this->name->text, 'of' => $this->of->value];
    }
}

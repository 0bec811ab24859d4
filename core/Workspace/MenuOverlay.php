<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Menu\Menus;

/** The menus that a batch looks at: as they are, and as it leaves them. */
final class MenuOverlay
{
    /** @var array<string, Menu>|null */
    private ?array $before = null;

    /** @var array<string, Menu|null> what the batch changed; null for one that goes */
    private array $changed = [];

    public function __construct(private readonly Menus $menus)
    {
    }

    /** @return array<string, Menu> */
    public function before(): array
    {
        return $this->before ??= $this->menus->all();
    }

    /** @return array<string, Menu> */
    public function after(): array
    {
        return array_filter([...$this->before(), ...$this->changed], static fn (?Menu $menu): bool => $menu !== null);
    }

    public function find(string $id): ?Menu
    {
        return $this->after()[$id] ?? null;
    }

    public function put(Menu $menu): void
    {
        $this->changed[$menu->id] = $menu;
    }

    public function remove(string $id): void
    {
        $this->changed[$id] = null;
    }

    /** @return list<MenuDifference> */
    public function differences(): array
    {
        $differences = [];
        foreach ($this->changed as $id => $after) {
            $difference = MenuDifference::between((string) $id, $this->before()[$id] ?? null, $after);
            if ($difference !== null) {
                $differences[] = $difference;
            }
        }

        return $differences;
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\RemoveMenu;
use Heronstem\Core\Change\RenameMenu;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Tree\PageName;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** No two menus have one name, whatever is undone. */
final class MenuNamesTest extends TestCase
{
    #[Test]
    public function a_menu_that_comes_back_leaves_its_name_to_the_one_that_has_taken_it_since(): void
    {
        $site = new MemorySite();
        $site->apply(new MakeMenu('First', PageName::of('Quick links'), MenuKind::Menu));
        $removed = $site->apply(new RemoveMenu('First'));
        $site->apply(new MakeMenu('Second', PageName::of('quick LINKS'), MenuKind::Menu));
        $site->undo($removed);
        self::assertSame(['First' => 'Quick links 2', 'Second' => 'quick LINKS'], $this->names($site));
    }

    #[Test]
    public function a_name_that_is_given_back_is_numbered_as_far_as_it_must_be(): void
    {
        $site = new MemorySite();
        $site->apply(new MakeMenu('First', PageName::of('Footer'), MenuKind::Menu));
        $renamed = $site->apply(new RenameMenu('First', PageName::of('Foot')));
        foreach (['Second' => 'Footer', 'Third' => 'Footer 2'] as $id => $name) {
            $site->apply(new MakeMenu($id, PageName::of($name), MenuKind::Menu));
        }
        $site->undo($renamed);
        self::assertSame(['First' => 'Footer 3', 'Second' => 'Footer', 'Third' => 'Footer 2'], $this->names($site));
    }

    /** @return array<string, string> */
    private function names(MemorySite $site): array
    {
        $names = array_map(static fn (Menu $menu): string => $menu->name, array_intersect_key($site->menus, ['First' => 1, 'Second' => 1, 'Third' => 1]));
        ksort($names);

        return $names;
    }
}

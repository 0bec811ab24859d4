<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Planning\NetEffects;
use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Visitors do not notice which entry shows a page. */
final class NetEffectsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_page_that_leaves_one_entry_and_is_shown_by_another_has_moved(): void
    {
        self::assertSame(
            ['moves dogs in Main by b under On board'],
            $this->net(['vanishes', 'main', 'a', 'dogs'], ['appears', 'main', 'b', 'dogs', 'On board']),
        );
        self::assertSame(['moves dogs in Main by b'], $this->net(['appears', 'main', 'b', 'dogs'], ['vanishes', 'main', 'a', 'dogs']));
    }

    #[Test]
    public function what_leaves_one_menu_and_comes_into_another_does_both(): void
    {
        self::assertSame(
            ['vanishes dogs in Main by a', 'appears dogs in Footer by b'],
            $this->net(['vanishes', 'main', 'a', 'dogs'], ['appears', 'footer', 'b', 'dogs']),
        );
    }

    #[Test]
    public function one_of_two_that_vanish_has_moved_and_the_other_is_gone(): void
    {
        self::assertSame(
            ['vanishes dogs in Main by c', 'moves dogs in Main by b'],
            $this->net(['vanishes', 'main', 'a', 'dogs'], ['vanishes', 'main', 'c', 'dogs'], ['appears', 'main', 'b', 'dogs']),
        );
    }

    #[Test]
    public function entries_without_a_page_are_each_their_own(): void
    {
        self::assertSame(
            ['vanishes  in Main by a', 'appears  in Main by b'],
            $this->net(['vanishes', 'main', 'a', null], ['appears', 'main', 'b', null]),
        );
    }

    #[Test]
    public function every_page_ends_up_as_often_as_entry_by_entry_and_nothing_vanishes_that_appears(): void
    {
        $one = Generators::tuple(
            Generators::elements(['vanishes', 'appears', 'moves', 'relabels']),
            Generators::elements(['main', 'footer']),
            Generators::elements(['a', 'b', 'c']),
            Generators::elements(['dogs', 'fares', null]),
        );
        $this->forAll(Generators::seq($one))->then(function (array $effects): void {
            $effects = array_map($this->effect(...), $effects);
            $net = NetEffects::of($effects);
            self::assertSame($this->balance($effects), $this->balance($net));
            foreach (['main', 'footer'] as $menu) {
                foreach (['dogs', 'fares'] as $page) {
                    $kinds = array_map(
                        static fn (MenuEffect $effect): string => $effect->kind->value,
                        array_filter($net, static fn (MenuEffect $effect): bool => $effect->menu->id === $menu && $effect->page === $page),
                    );
                    self::assertFalse(in_array('vanishes', $kinds, true) && in_array('appears', $kinds, true));
                }
            }
            self::assertEquals($net, NetEffects::of($net), 'What is net stays.');
        });
    }

    /**
     * @param  list<MenuEffect>  $effects
     * @return array<string, int> how many entries of a menu show a page more than before
     */
    private function balance(array $effects): array
    {
        $balance = [];
        foreach ($effects as $effect) {
            $balance["{$effect->menu->id} $effect->page"] =
                ($balance["{$effect->menu->id} $effect->page"] ?? 0) +
                match ($effect->kind) {
                    MenuEffectKind::Appears => 1,
                    MenuEffectKind::Vanishes => -1,
                    default => 0,
                };
        }
        ksort($balance);

        return array_filter($balance);
    }

    /**
     * @param  array{string, string, string, string|null, 4?: string}  ...$effects
     * @return list<string>
     */
    private function net(array ...$effects): array
    {
        return array_map(
            static fn (MenuEffect $effect): string => "{$effect->kind->value} $effect->page in {$effect->menu->name} by $effect->entry".
                ($effect->under === null ? '' : " under $effect->under"),
            NetEffects::of(array_map($this->effect(...), array_values($effects))),
        );
    }

    /** @param  array{string, string, string, string|null, 4?: string}  $of  kind, menu, entry, page, what it stands under */
    private function effect(array $of): MenuEffect
    {
        return new MenuEffect(
            MenuEffectKind::from($of[0]),
            new Menu($of[1], ucfirst($of[1]), MenuKind::Menu, null),
            $of[2],
            $of[3],
            (string) $of[3],
            $of[4] ?? null,
        );
    }
}

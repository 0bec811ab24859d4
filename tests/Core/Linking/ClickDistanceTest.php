<?php

declare(strict_types=1);

namespace Tests\Core\Linking;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Linking\ClickDistance;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** How many clicks a page is away from the start page. */
final class ClickDistanceTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_page_in_a_menu_is_one_click_away_and_what_it_leads_to_one_more(): void
    {
        self::assertSame(
            ['home' => 0, 'travel' => 1, 'news' => 1, 'times' => 2, 'winter' => 3],
            ClickDistance::clicks('home', ['travel'], ['home' => ['news'], 'travel' => ['times'], 'times' => ['winter', 'travel']]),
        );
    }

    #[Test]
    public function a_page_that_nothing_leads_to_is_not_reached(): void
    {
        self::assertArrayNotHasKey('lost', ClickDistance::clicks('home', [], ['lost' => ['home'], 'home' => []]));
    }

    #[Test]
    public function no_page_is_farther_than_one_more_than_any_page_that_leads_to_it(): void
    {
        $this->limitTo(200)
            ->forAll(
                Generators::vector(30, Generators::tuple(Generators::choose(0, 11), Generators::choose(0, 11))),
                Generators::vector(2, Generators::choose(0, 11)),
            )
            ->then(static function (array $links, array $menu): void {
                $leads = [];
                foreach ($links as [$from, $to]) {
                    $leads[$from][] = $to;
                }
                $clicks = ClickDistance::clicks(0, $menu, $leads);
                self::assertSame(0, $clicks[0]);
                foreach ($menu as $page) {
                    self::assertLessThanOrEqual(1, $clicks[$page]);
                }
                foreach ($leads as $from => $tos) {
                    foreach (isset($clicks[$from]) ? $tos : [] as $to) {
                        self::assertLessThanOrEqual($clicks[$from] + 1, $clicks[$to] ?? PHP_INT_MAX, 'A link shortens the way.');
                    }
                }
                foreach ($clicks as $page => $distance) {
                    $before = array_filter(
                        array_keys($leads),
                        static fn (int $from): bool => in_array($page, $leads[$from], true) && ($clicks[$from] ?? -1) === $distance - 1,
                    );
                    self::assertTrue(
                        $distance === 0 || ($distance === 1 && in_array($page, $menu, true)) || $before !== [],
                        'Every click comes from somewhere.',
                    );
                }
            });
    }
}

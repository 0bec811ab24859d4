<?php

declare(strict_types=1);

namespace Tests\Core\Workspace;

use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Workspace\OrdersBefore;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The order of children before a batch is read once, as far as it is held. */
final class OrdersBeforeTest extends TestCase
{
    #[Test]
    public function what_is_expected_is_read_at_once_and_never_again(): void
    {
        $pages = $this->createMock(Pages::class);
        $pages
            ->expects(self::once())
            ->method('childOrders')
            ->with(['a', 'b'])
            ->willReturn(['a' => ['x' => 1, 'y' => 2]]);
        $pages
            ->expects(self::once())
            ->method('childOrder')
            ->with(null)
            ->willReturn(['a' => 1, 'b' => 2]);
        $orders = new OrdersBefore($pages);
        $orders->expect(['a', 'b']);
        $orders->expect(['b', 'a']);
        self::assertSame([['x' => 1, 'y' => 2], []], [$orders->of('a'), $orders->of('b')]);
        self::assertSame(['a' => 1, 'b' => 2], $orders->of(null));
        self::assertSame(['a' => 1, 'b' => 2], $orders->of(null));
    }

    #[Test]
    public function what_is_too_much_to_hold_is_read_each_time_and_is_the_same(): void
    {
        $many = array_combine(array_map(static fn (int $n): string => "p$n", range(1, 60_000)), range(1, 60_000));
        $pages = $this->createMock(Pages::class);
        $pages->expects(self::exactly(2))->method('childOrder')->willReturn($many);
        $orders = new OrdersBefore($pages);
        self::assertSame($many, $orders->of('a'));
        self::assertSame($many, $orders->of('a'));
    }
}

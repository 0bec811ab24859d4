<?php

declare(strict_types=1);

namespace Tests\Core\Tree;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Caching;
use Heronstem\Core\Tree\Showing;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class CachingTest extends TestCase
{
    #[Test]
    #[TestWith(['off', null])]
    #[TestWith(['standard', 0])]
    #[TestWith(['long', 3600])]
    #[TestWith([1, 1])]
    #[TestWith([604_800, 604_800])]
    public function it_is_read_and_kept(string|int $given, ?int $seconds): void
    {
        $read = Caching::read($given);
        self::assertSame([$seconds, $given], [$read->seconds, $read->toValue()]);
        self::assertEquals($read, Caching::stored((string) $given));
        $showing = (new Showing('picture', 5))->changed(['caching' => $given]);
        self::assertEquals($showing, Showing::stored($showing->toText()));
        self::assertEquals($showing, $showing->changed(['reload' => 5]));
        self::assertNull($showing->changed(['caching' => null])->caching);
    }

    #[Test]
    #[TestWith([0])]
    #[TestWith([604_801])]
    #[TestWith([-1])]
    #[TestWith(['60'])]
    #[TestWith(['never'])]
    #[TestWith([1.5])]
    #[TestWith([['long']])]
    #[TestWith([null])]
    public function anything_else_is_refused(mixed $given): void
    {
        $this->expectExceptionObject(
            new InputRefused('caching', 'This is off, standard, long, or a whole number of seconds from 1 to 604800.', 'standard'),
        );
        Caching::read($given);
    }
}

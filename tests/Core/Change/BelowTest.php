<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Below;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Publish;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is below the pages of a batch and may change with them is known before anything is planned. */
final class BelowTest extends TestCase
{
    private const PAGE = '01HZZZZZZZZZZZZZZZZZZZZZZ1';

    private const OTHER = '01HZZZZZZZZZZZZZZZZZZZZZZ2';

    /** @return iterable<string, array{Change, list<string>}> */
    public static function changes(): iterable
    {
        yield 'a move takes along what is below' => [new Move(self::PAGE, Place::lastIn(self::OTHER)), [self::PAGE]];
        yield 'a slug is part of addresses below' => [new SetSlug(self::PAGE, Slug::of('fares')), [self::PAGE]];
        yield 'what is published is the page alone' => [new Publish(self::PAGE), []];
        yield 'a copy of the page alone' => [new Duplicate(self::PAGE, self::OTHER), []];
        yield 'a copy of the branch' => [new Duplicate(self::PAGE, self::OTHER, Scope::Branch), [self::PAGE]];
        yield 'live alone' => [new GoLive(self::PAGE), []];
        yield 'live with what is below' => [new GoLive(self::PAGE, Scope::Branch), [self::PAGE]];
        yield 'offline with what is below' => [new TakeOffline(self::PAGE, Scope::Branch), [self::PAGE]];
    }

    /** @param  list<string>  $pages */
    #[Test]
    #[DataProvider('changes')]
    public function it_names_the_pages_whose_branches_may_change(Change $change, array $pages): void
    {
        self::assertSame($pages, Below::pages(Batch::of($change)));
        self::assertFalse(Below::isWhole(Batch::of($change)));
    }

    #[Test]
    public function each_is_named_once_and_rules_of_addresses_reach_everything(): void
    {
        $batch = Batch::of(new SetSlug(self::PAGE, Slug::of('fares')), new Move(self::PAGE, Place::lastIn(self::OTHER)));
        self::assertSame([self::PAGE], Below::pages($batch));
        $rules = (new ChangeReader(new AddressRules()))->batch([['kind' => 'set-address-rules', 'trailingSlash' => 'always']], []);
        self::assertTrue(Below::isWhole($rules));
    }
}

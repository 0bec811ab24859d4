<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Redirect\Query;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Queries are compared decoded and written as they came. */
final class QueryTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, bool}> */
    public static function asked(): iterable
    {
        yield 'the same' => ['id=3', 'id=3', true];
        yield 'among others' => ['a=1&id=3&b', 'id=3', true];
        yield 'in another spelling' => ['%69d=%33', 'id=3', true];
        yield 'a space as a plus' => ['mode=a+b', 'mode=a%20b', true];
        yield 'with nothing and without a value' => ['k', 'k=', true];
        yield 'in another order' => ['b=2&a=1', 'a=1&b=2', true];
        yield 'another value' => ['id=33', 'id=3', false];
        yield 'another case' => ['ID=3', 'id=3', false];
        yield 'once where twice is asked' => ['id=3', 'id=3&id=3', false];
        yield 'nothing asked' => ['id=3', '', true];
    }

    #[Test, DataProvider('asked')]
    public function a_query_has_another_where_it_has_every_parameter_of_it(string $query, string $asked, bool $has): void
    {
        self::assertSame($has, Query::of($query)->has(Query::of($asked)));
        self::assertSame($has, Query::in("/x?$query#y=1")->has(Query::of("?$asked")));
    }

    #[Test]
    public function what_is_taken_out_is_gone_and_what_is_merged_changes_no_parameter_that_was_there(): void
    {
        $pair = Generators::elements('a=1', 'a=2', 'b', 'b=', 'c=%20', 'c=+', '%61=1', 'd=x%26y');
        $this->limitTo(400)
            ->forAll(Generators::seq($pair), Generators::seq($pair))
            ->then(static function (array $first, array $second): void {
                [$a, $b] = [Query::of(implode('&', $first)), Query::of(implode('&', $second))];
                self::assertTrue($a->has($a));
                self::assertSame('', $a->without($a)->text());
                self::assertSame(
                    $a->has($b),
                    $a->without($b)->count() === $a->count() - $b->count(),
                    'All of it was there, or not all of it could be taken out.',
                );
                $merged = $a->merged($b);
                self::assertTrue(str_starts_with($merged->text(), $a->text()), 'What was there stands first.');
                self::assertSame([], array_diff($b->names(), $merged->names()), 'No name is lost.');
                foreach ($merged->pairs() as $n => $pair) {
                    self::assertTrue($n < $a->count() || ! in_array($pair[0], $a->names(), true), 'What the first has stands.');
                }
                self::assertSame($a->sorted(), Query::of($a->sorted())->sorted());
                self::assertSame($a->pairs(), Query::of($a->text())->pairs(), 'What is written is read again.');
            });
    }

    #[Test]
    public function the_query_of_an_address_ends_where_its_fragment_begins(): void
    {
        self::assertSame('?a=1', Query::in('/x?a=1#b?c')->text());
        self::assertSame('', Query::in('/x#a?b=1')->text());
        self::assertSame('', Query::in('/x?')->text());
        self::assertSame('?a&b', Query::in('https://x.example?a&&b&')->text());
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Pause;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Which rule answers, and with what. */
final class RuleSetTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{list<Rule>, string, string}> rules, what is asked, status and location that are sent */
    public static function requests(): iterable
    {
        $fares = Rules::one('/dogs', 'page P');
        yield 'one address' => [[$fares], '/dogs', '301 /travel/fares'];
        yield 'in another spelling, at once' => [[$fares], '/DOGS/?a=1', '301 /travel/fares?a=1'];
        yield 'not below it' => [[$fares], '/dogs/big', '404'];
        yield 'off' => [[$fares->with(['isOn' => false])], '/dogs', '404'];
        yield 'not yet' => [[$fares->with(['from' => Moment::at(Rules::NOW + 1)])], '/dogs', '404'];
        yield 'from this second on' => [[$fares->with(['from' => Moment::at(Rules::NOW)])], '/dogs', '301 /travel/fares'];
        yield 'over' => [[$fares->with(['until' => Moment::at(Rules::NOW)])], '/dogs', '404'];
        yield 'gone' => [[Rules::one('/dogs', '', ['answer' => RuleAnswer::Gone])], '/dogs', '410'];
        yield 'a file' => [[Rules::one('/list', 'file FILE', ['answer' => RuleAnswer::Found])], '/list', '302 /_files/FILE/fares.pdf'];
        yield 'a file that is not there' => [[Rules::one('/list', 'file NONE')], '/list', '404'];
        yield 'a draft' => [[Rules::one('/x', 'page D')], '/x', '404'];
        yield 'elsewhere' => [
            [Rules::one('/book', 'https://book.example/ferry?partner=7#times', ['answer' => RuleAnswer::TemporaryRedirect])],
            '/book?from=poster&partner=8',
            '307 https://book.example/ferry?partner=7&from=poster#times',
        ];
        yield 'query dropped' => [[$fares->with(['query' => QueryHandling::Drop])], '/dogs?a=1', '301 /travel/fares'];
        yield 'query matched' => [[$fares->with(['query' => QueryHandling::Match, 'matched' => 'id=3'])], '/dogs?x=1&id=3', '301 /travel/fares?x=1'];
        yield 'query not matched' => [[$fares->with(['query' => QueryHandling::Match, 'matched' => 'id=3'])], '/dogs?id=33', '404'];
        yield 'more of the query wins' => [
            [
                $fares->with(['query' => QueryHandling::Match, 'matched' => 'a=1']),
                Rules::one('/dogs', '/both', ['query' => QueryHandling::Match, 'matched' => 'a=1&b=2']),
                Rules::one('/both', 'https://x.example/both'),
            ],
            '/dogs?b=2&a=1',
            '301 https://x.example/both',
        ];
        yield 'a query that is looked at stands before the page' => [
            [Rules::one('/travel/fares', 'https://x.example/y', ['query' => QueryHandling::Match, 'matched' => 'year=2019'])],
            '/travel/fares?year=2019',
            '301 https://x.example/y',
        ];
        yield 'and leaves other requests to it' => [
            [Rules::one('/travel/fares', 'https://x.example/y', ['query' => QueryHandling::Match, 'matched' => 'year=2019'])],
            '/travel/fares?year=2020',
            '200 /travel/fares?year=2020',
        ];
        yield 'in front of a page' => [
            [Rules::one('/travel/fares', '/dogs', ['inFront' => true, 'answer' => RuleAnswer::Found]), Rules::one('/dogs', 'https://x.example/')],
            '/travel/fares',
            '302 https://x.example/',
        ];
        yield 'a branch' => [
            [Rules::branch('/old', '/new'), Rules::branch('/new', 'https://x.example/n')],
            '/old/a/b?q',
            '301 https://x.example/n/a/b?q',
        ];
        yield 'the branch itself' => [[Rules::branch('/old', 'https://x.example/n')], '/old', '301 https://x.example/n'];
        yield 'not beside it' => [[Rules::branch('/old', 'https://x.example/n')], '/older', '404'];
        yield 'a branch without the rest' => [[Rules::branch('/old', 'page P', ['carriesRest' => false])], '/old/a/b', '301 /travel/fares'];
        yield 'the longest branch' => [
            [Rules::branch('/old', 'https://x.example/n'), Rules::branch('/old/news', 'https://x.example/press')],
            '/old/news/1',
            '301 https://x.example/press/1',
        ];
        yield 'a whole site' => [[Rules::branch('/', 'https://x.example')], '/a/b', '301 https://x.example/a/b'];
        yield 'a page before the branch' => [[Rules::branch('/travel', 'https://x.example/n')], '/travel/fares', '200 /travel/fares'];
        yield 'a branch under a page' => [[Rules::branch('/old', 'page P')], '/old/dogs', '301 /travel/fares/dogs'];
        yield 'one address before the branch' => [
            [Rules::branch('/old', 'https://x.example/n'), Rules::one('/old/a', 'page P')],
            '/old/a',
            '301 /travel/fares',
        ];
        yield 'a rule that is off leaves its address to the branch' => [
            [Rules::branch('/old', 'https://x.example/n'), Rules::one('/old/a', 'page P', ['isOn' => false])],
            '/old/a',
            '301 https://x.example/n/a',
        ];
        yield 'a pattern' => [
            [Rules::pattern('/news/:year(\\d+)/:slug', 'https://x.example/:slug?year=:year')],
            '/news/2019/Big-Boat',
            '301 https://x.example/Big-Boat?year=2019',
        ];
        yield 'a pattern without names' => [[Rules::pattern('/shop/*', 'https://x.example/s/:0')], '/shop/a/b', '301 https://x.example/s/a/b'];
        yield 'the first pattern' => [
            [Rules::pattern('/a/:x', 'https://x.example/2', ['position' => 2]), Rules::pattern('/a/*', 'https://x.example/1', ['position' => 1])],
            '/a/b',
            '301 https://x.example/1',
        ];
        yield 'the branch before the pattern' => [
            [Rules::pattern('/old/*', 'https://x.example/p'), Rules::branch('/old', 'https://x.example/b')],
            '/old/b',
            '301 https://x.example/b/b',
        ];
        yield 'what is caught never becomes a host' => [
            [Rules::pattern('/go/*', '/:0'), Rules::branch('/evil.example', 'https://x.example/kept')],
            '/go/%2Fevil.example/a',
            '301 /%2Fevil.example/a',
        ];
        yield 'nor a parameter' => [[Rules::pattern('/p/:a', 'https://x.example/?a=:a')], '/p/1&b=2', '301 https://x.example/?a=1%26b%3D2'];
        yield 'a chain is one hop for visitors' => [
            [Rules::one('/a', '/b'), Rules::one('/b', '/c', ['answer' => RuleAnswer::Found]), Rules::one('/c', 'page P')],
            '/a?q=1',
            '302 /travel/fares?q=1',
        ];
        yield 'a permanent chain that keeps the method' => [
            [
                Rules::one('/a', '/b', ['answer' => RuleAnswer::PermanentRedirect]),
                Rules::one('/b', 'page P', ['answer' => RuleAnswer::PermanentRedirect]),
            ],
            '/a',
            '308 /travel/fares',
        ];
        yield 'a temporary step in one that keeps it' => [
            [
                Rules::one('/a', '/b', ['answer' => RuleAnswer::PermanentRedirect]),
                Rules::one('/b', 'page P', ['answer' => RuleAnswer::TemporaryRedirect]),
            ],
            '/a',
            '307 /travel/fares',
        ];
        yield 'a loop' => [[Rules::one('/a', '/b'), Rules::one('/b', '/a')], '/a', '404'];
        yield 'a loop that grows' => [[Rules::branch('/a', '/a/x')], '/a', '404'];
        $pause = new Pause(5, Document::blank());
        yield 'a pause page' => [
            [Rules::one('/offer', '/dogs', ['answer' => RuleAnswer::Pause, 'pause' => $pause]), $fares],
            '/offer',
            '200 /offer waits for /travel/fares',
        ];
        yield 'a pause page at the end of a way is where visitors are sent' => [
            [Rules::one('/old-offer', '/offer'), Rules::one('/offer', '/dogs', ['answer' => RuleAnswer::Pause, 'pause' => $pause]), $fares],
            '/old-offer',
            '301 /offer waits for /travel/fares',
        ];
        yield 'two pause pages that lead to each other' => [
            [
                Rules::one('/a', '/b', ['answer' => RuleAnswer::Pause, 'pause' => $pause]),
                Rules::one('/b', '/a', ['answer' => RuleAnswer::Pause, 'pause' => $pause]),
            ],
            '/a',
            '200 /a waits for /b',
        ];
    }

    /** @param  list<Rule>  $rules */
    #[Test, DataProvider('requests')]
    public function a_request_is_answered_by_the_rule_that_comes_first(array $rules, string $asked, string $answer): void
    {
        $resolution = Rules::ask(
            $rules,
            $asked,
            new AnsweringPage('P', 'Fares', '/travel/fares', true),
            new AnsweringPage('D', 'Draft', '/draft', false),
        );
        self::assertSame(
            $answer,
            trim(
                ($resolution->sendsWith() ?? $resolution->status).
                    ' '.
                    $resolution->location.
                    ($resolution->pause === null ? '' : " waits for {$resolution->onward}"),
            ),
        );
    }

    #[Test]
    public function every_step_names_its_rule_and_a_loop_is_told_from_a_dead_end(): void
    {
        $rules = [Rules::one('/a', '/b'), Rules::one('/b', '/a')];
        $loop = Rules::ask($rules, '/a');
        self::assertTrue($loop->isLoop);
        self::assertSame([$rules[0]->id, $rules[1]->id, $rules[0]->id], $loop->rules());
        self::assertFalse(Rules::ask([], '/a')->isLoop);
        self::assertCount(10, Rules::ask([Rules::branch('/a', '/a/x')], '/a')->hops);
    }

    #[Test]
    public function whatever_the_rules_the_tables_find_what_trying_one_after_the_other_finds(): void
    {
        $segment = Generators::elements(['a', 'b', 'c']);
        $path = Generators::map(
            static fn (array $parts): string => '/'.implode('/', array_filter($parts)),
            Generators::tuple($segment, Generators::elements(['', 'a', 'b']), Generators::elements(['', 'c'])),
        );
        $pattern = Generators::elements(['/:x', '/a/:x', '/:x/b', '/*', '/a/*', '/{:x/}?c', '/(a|b)/:y', '/:p+']);
        $query = Generators::elements(['', 'q=1', 'q=1&r=2']);
        $rule = Generators::map(static function (array $drawn): Rule {
            [$kind, $path, $pattern, $query, $front, $position, $on] = $drawn;
            $fields = [
                'query' => $query === '' ? QueryHandling::Drop : QueryHandling::Match,
                'matched' => $query,
                'inFront' => $front,
                'position' => $position,
                'isOn' => $on,
            ];

            return match ($kind) {
                0 => Rules::one($path, 'https://x.example/', $fields),
                1 => Rules::branch($path, 'https://x.example/', $fields),
                default => Rules::pattern($pattern, 'https://x.example/', $fields),
            };
        }, Generators::tuple(
            Generators::choose(0, 2),
            $path,
            $pattern,
            $query,
            Generators::bool(),
            Generators::choose(0, 4),
            Generators::elements([true, true, false]),
        ));
        $this->shrinkingTimeLimit(20);
        $this->limitTo(500)
            ->forAll(Generators::vector(6, $rule), $path, $query)
            ->then(static function (array $rules, string $asked, string $query): void {
                $rules = array_values(array_column($rules, null, 'id'));
                $claimed = [];
                $rules = array_values(
                    array_filter($rules, static function (Rule $rule) use (&$claimed): bool {
                        $isFirst = ! isset($claimed[$rule->identity()]);
                        $claimed[$rule->identity()] = true;

                        return $isFirst;
                    }),
                );
                $found = Rules::ask($rules, $asked.($query === '' ? '' : "?$query"));
                self::assertSame(Naive::first($rules, $asked, $query)?->id, $found->rules()[0] ?? null);
            });
    }
}

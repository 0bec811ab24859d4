<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Server\PathExpression;
use Heronstem\Core\Redirect\PathPattern;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Expressions of web servers are read as rules that match the same. */
final class PathExpressionTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, string}> */
    public static function expressions(): iterable
    {
        yield 'nothing varies' => ['^/old\.html$', 'one', '/old.html'];
        yield 'a slash may follow' => ['^/old/?$', 'one', '/old'];
        yield 'without its slash, as in a folder' => ['^old$', 'one', '/old'];
        yield 'a slash that may be there' => ['^/?old/(\d+)$', 'pattern', '/old/(\d+)'];
        yield 'everything below' => ['^/old/(.*)$', 'branch', '/old'];
        yield 'it and everything below' => ['^/old(/.*)?$', 'branch', '/old'];
        yield 'what only begins alike' => ['^/old(.*)$', 'pattern', '/old(.*)'];
        yield 'everything below, not caught' => ['^/old/.*$', 'branch', '/old'];
        yield 'everything that begins so' => ['^/old', 'branch', '/old'];
        yield 'what is not caught' => ['^/a/[a-z]+-(\d+)$', 'pattern', '/a/([a-z]+)-(\d+)'];
        yield 'signs that mean something in a pattern' => ['^/a:b/(x|y)$', 'pattern', '/a\:b/(x|y)'];
        yield 'something that may be dropped' => ['^/a/(\d+)(-b)?$', 'pattern', '/a/(\d+){(-b)}?'];
    }

    #[Test, DataProvider('expressions')]
    public function an_expression_is_read_as_the_rule_that_says_the_same(string $expression, string $scope, string $source): void
    {
        $read = PathExpression::read($expression);
        self::assertSame([$scope, $source], [$read->scope, $read->source]);
    }

    #[Test]
    public function captures_go_where_the_target_has_them(): void
    {
        self::assertSame(['/new/:2-:0', false], PathExpression::read('^/a/(\d+)/\w+/(x|y)$')->target('/new/$2-$1'));
        self::assertSame(['https://x.example:8080/:0/%3Aid', false], PathExpression::read('^/a/(\d+)$')->target('https://x.example:8080/$1/:id'));
        self::assertSame(['/new', true], PathExpression::read('^/a/(.*)$')->target('/new/$1'));
        self::assertSame(['/new', false], PathExpression::read('^/a/(.*)$')->target('/new'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function unreadable(): iterable
    {
        yield 'matches anywhere' => ['old$', 'Begin it with ^'];
        yield 'groups in groups' => ['^/(a(b)c)$', 'Groups within groups'];
        yield 'a lookahead' => ['^/(?!x)a(\d+)$', 'Groups within groups'];
        yield 'repeated' => ['^/(ab)+$', 'repeated groups'];
        yield 'a choice of all' => ['^/a(\d)|/b$', 'cannot be read'];
    }

    #[Test, DataProvider('unreadable')]
    public function what_no_rule_says_is_told_with_the_reason(string $expression, string $reason): void
    {
        $this->expectException(InputRefused::class);
        $this->expectExceptionMessage($reason);
        PathExpression::read($expression);
    }

    #[Test]
    public function a_capture_that_nothing_catches_is_refused(): void
    {
        $this->expectExceptionMessage('$2, which nothing catches');
        PathExpression::read('^/a/(\d+)$')->target('/b/$2');
    }

    #[Test]
    public function a_pattern_matches_what_its_expression_matches_and_catches_the_same(): void
    {
        $piece = Generators::elements('/a', '/b-c', '(\d+)', '([^/]+)', '\d', '[ab]+', '(x|yy)', '/', '\.', '-', 'q?', '(z)?', '(?:m|n)');
        $path = Generators::elements('/a', '/b-c', '7', '12', 'ab', 'x', 'yy', '/', '.', '-', 'q', 'z', 'm');
        $this->limitTo(400)
            ->forAll(Generators::tuple($piece, $piece, $piece, $piece), Generators::tuple($path, $path, $path, $path, $path))
            ->then(function (array $pieces, array $paths): void {
                $expression = '^/r'.implode('', $pieces).'$';
                try {
                    $read = PathExpression::read($expression);
                } catch (InputRefused) {
                    return;
                }
                if ($read->scope !== 'pattern') {
                    return;
                }
                $asked = '/r'.implode('', $paths);
                $isMatch = preg_match("~{$expression}~D", rtrim($asked, '/'), $found) === 1;
                $captures = PathPattern::stored($read->source)->match(rtrim($asked, '/'), (new AddressRules(caseSensitive: true))->caseSensitive);
                if (! str_ends_with($expression, '/?$') && ! str_ends_with($expression, '/$')) {
                    self::assertSame($isMatch, $captures !== null, "{$expression} as {$read->source} on $asked");
                }
                if ($isMatch && $captures !== null) {
                    for ($n = 1; $n <= preg_match_all('/\((?!\?)/', $expression); $n++) {
                        [$target] = $read->target("/t/\$$n");
                        self::assertSame($found[$n] ?? '', $captures[substr($target, 4)], "\$$n of {$expression} as {$read->source} on $asked");
                    }
                }
            });
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\PathPattern;
use League\Uri\UrlPattern;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PathPatternTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, array<int|string, string>|null}> */
    public static function caught(): iterable
    {
        yield 'named segments' => ['/old/:year/:slug', '/old/2019/big-boat', ['year' => '2019', 'slug' => 'big-boat']];
        yield 'whole paths only' => ['/old/:year', '/old/2019/x', null];
        yield 'a wildcard over slashes' => ['/docs/*', '/docs/a/b.html', ['a/b.html']];
        yield 'an expression' => ['/item/(\\d+)', '/item/42', ['42']];
        yield 'a named expression' => ['/item/:id(\\d+)', '/item/x', null];
        yield 'an optional part' => ['/shop{/page/:n}?', '/shop', ['n' => '']];
        yield 'part of a segment' => ['/p-:id.html', '/p-7.html', ['id' => '7']];
        yield 'letters beyond ASCII' => ['/häfen/:name', '/h%C3%A4fen/m%C3%B6we', ['name' => 'm%C3%B6we']];
        yield 'in any case' => ['/Old/:x', '/OLD/Y', ['x' => 'Y']];
        yield 'an escaped sign' => ['/a\\*/:x', '/a*/b', ['x' => 'b']];
        yield 'several segments' => ['/a/:rest+', '/a/b/c', ['rest' => 'b/c']];
    }

    /** @param  array<int|string, string>|null  $captures */
    #[Test, DataProvider('caught')]
    public function a_pattern_catches_what_it_names(string $pattern, string $path, ?array $captures): void
    {
        self::assertSame($captures, PathPattern::read($pattern)->match($path, false));
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'no slash' => ['old/:x', 'begins with a slash'];
        yield 'a name twice' => ['/:a/:a', 'Duplicate name'];
        yield 'an open bracket' => ['/(a', 'Unbalanced'];
        yield 'a nameless name' => ['/:', 'Missing parameter name'];
        yield 'a broken expression' => ['/([a-)', 'not a regular expression'];
        yield 'a repetition within one' => ['/((?:a+)+)', 'searching for long'];
        yield 'alternatives repeated' => ['/((?:a|a)*)', 'searching for long'];
        yield 'a repetition of a repetition' => ['/(a+)+', 'searching for long'];
        yield 'deep repetition' => ['/((?:x(?:a*)y?)*)', 'searching for long'];
        yield 'a repeated name within a segment' => ['/{:a}+', 'searching for long'];
        yield 'many wildcards' => ['/*/a/*/b/*', 'parts of open length'];
        yield 'many open expressions' => ['/(\\d+)-(\\d+)-(\\d+)', 'parts of open length'];
        yield 'many names in a segment' => ['/:a-:b-:c', 'name fewer parts between two slashes'];
        yield 'bounded repetitions side by side' => ['/a/(\\d{1,900}\\d{1,900}\\d{1,900})', 'in too many ways'];
        yield 'bounded repetitions in parts side by side' => ['/a/:x(\\d{1,60}):y(\\d{1,60}):z(\\d{1,60})', 'in too many ways'];
        yield 'many that may be there or not' => ['/('.str_repeat('a?', 30).')', 'in too many ways'];
        yield 'a reference' => ['/(a\\1)', 'only plain characters'];
        yield 'a lookahead' => ['/((?=a)b)', 'only plain characters'];
        yield 'a verb' => ['/((*FAIL))', ''];
        yield 'a long one' => ['/'.str_repeat('a', 500), 'at most 500'];
    }

    #[Test, DataProvider('refused')]
    public function what_is_no_pattern_or_could_search_for_long_is_refused_with_the_reason(string $pattern, string $reason): void
    {
        try {
            PathPattern::read($pattern);
            self::fail("$pattern was taken");
        } catch (InputRefused $refused) {
            self::assertSame('source', $refused->field);
            self::assertStringContainsString($reason, $refused->reason);
        }
    }

    #[Test]
    public function a_pattern_matches_what_the_standard_says_and_its_own_sample(): void
    {
        $piece = Generators::elements(['/:a', '/b', '/*', '{/c}?', '/(x|y)', '/:d(\\d+)', '-:e', '/:f?', '.html', '/:g*', 'q']);
        $path = Generators::map(
            static fn (array $parts): string => '/'.implode('/', $parts),
            Generators::vector(3, Generators::elements(['a', 'b', 'x', '12', 'c', 'b-7', 'q.html', 'bq'])),
        );
        $this->shrinkingTimeLimit(20);
        $this->limitTo(500)
            ->forAll(Generators::vector(3, $piece), $path)
            ->then(static function (array $pieces, string $path): void {
                $source = '/s'.implode('', array_unique($pieces));
                try {
                    $pattern = PathPattern::read($source);
                } catch (InputRefused) {
                    return;
                }
                $found = UrlPattern::from("https://x.example$source")->extract("https://x.example/s$path");
                self::assertSame($found !== null, $pattern->match("/s$path", true) !== null, $source);
                self::assertNotNull($pattern->match($pattern->sample, true), "$source has no {$pattern->sample}");
            });
    }
}

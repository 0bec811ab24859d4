<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\PathPattern;
use Heronstem\Core\Redirect\PatternLanguage;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PatternLanguageTest extends TestCase
{
    use TestTrait;

    /** @return iterable<array{string, string, bool|null}> */
    public static function pairs(): iterable
    {
        yield ['/a/:x', '/a/:y', true];
        yield ['/a/(\\d+)', '/a/(\\d\\d)', true];
        yield ['/a/(\\d\\d)', '/a/(\\d+)', false];
        yield ['/docs/*', '/docs/a/:x', true];
        yield ['/a/:x', '/a/(b|c)', true];
        yield ['/a/(b|c)', '/a/:x', false];
        yield ['/a{/:x}?', '/a/(\\d{1,3})', true];
        yield ['/a/([a-f0-9]{2,4})', '/a/([0-9]{3})', true];
        yield ['/a/([a-f0-9]{2,4})', '/a/([0-9]{3,5})', false];
        yield ['/:p*', '/a/:b', true];
        yield ['/:p+', '/:p*', false];
        yield ['/a/(\\d{1,2000})', '/a/(\\d{1,1999})', null];
    }

    #[Test, DataProvider('pairs')]
    public function it_is_decided_whether_every_path_of_one_is_one_of_the_other(string $larger, string $smaller, ?bool $contains): void
    {
        self::assertSame($contains, PatternLanguage::contains(PathPattern::read($larger), PathPattern::read($smaller), false));
    }

    #[Test]
    public function case_is_told_apart_where_the_site_does(): void
    {
        self::assertTrue(PatternLanguage::contains(PathPattern::read('/a/:x([a-z]+)'), PathPattern::read('/A/:x([A-Z])'), false));
        self::assertFalse(PatternLanguage::contains(PathPattern::read('/a/:x([a-z]+)'), PathPattern::read('/a/:x([A-Z])'), true));
    }

    #[Test]
    public function what_is_decided_holds_for_every_path_that_is_tried(): void
    {
        $piece = Generators::elements([
            '/:n',
            '/a',
            '/b',
            '/*',
            '{/c}?',
            '/(a|b)',
            '/(\\d+)',
            '/(\\d\\d)',
            '-:n',
            '/([^b/]+)',
            '/(a?b?)',
            '/:n*',
            '.(x|y)',
        ]);
        $pattern = Generators::map(static function (array $pieces): string {
            $n = 0;

            return '/s'.
                implode(
                    '',
                    array_map(static function (string $piece) use (&$n): string {
                        return str_replace(':n', ':n'.$n++, $piece);
                    }, $pieces),
                );
        }, Generators::bind(Generators::choose(1, 3), static fn (int $n) => Generators::vector($n, $piece)));
        $paths = self::paths();
        $decided = ['yes' => 0, 'no' => 0];
        $this->limitTo(300)
            ->forAll($pattern, $pattern)
            ->then(static function (string $one, string $other) use ($paths, &$decided): void {
                try {
                    [$larger, $smaller] = [PathPattern::read($one), PathPattern::read($other)];
                } catch (InputRefused) {
                    return;
                }
                $contains = PatternLanguage::contains($larger, $smaller, false);
                $counter = array_filter(
                    $paths,
                    static fn (string $path): bool => $smaller->match($path, false) !== null && $larger->match($path, false) === null,
                );
                if ($contains === true) {
                    $decided['yes']++;
                    self::assertSame([], $counter, "$one was said to take all of $other.");
                } elseif ($contains === false) {
                    $decided['no']++;
                }
                self::assertTrue($contains !== null, 'So small a pattern is decided.');
            });
        self::assertGreaterThan(5, min($decided));
    }

    /** @return list<string> */
    private static function paths(): array
    {
        $segments = ['', '/a', '/b', '/c', '/ab', '/12', '/7', '/a-b', '/a.x', '/q', '/a/b', '/12/a'];
        $paths = [];
        foreach ($segments as $first) {
            foreach ($segments as $second) {
                foreach (['', '/a', '/b', '/12', '-x', '.y'] as $third) {
                    $paths[] = "/s$first$second$third";
                }
            }
        }

        return array_values(array_unique($paths));
    }
}

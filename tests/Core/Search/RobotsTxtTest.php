<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\RobotsComposer;
use Heronstem\Core\Search\RobotsRule;
use Heronstem\Core\Search\RobotsTxt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Robots.txt as RFC 9309 reads it. */
final class RobotsTxtTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, string, bool, int|null}> lines, agent, address; allowed, by which line */
    public static function verdicts(): iterable
    {
        yield 'nothing said' => ['', 'Finder', '/a', true, null];
        yield 'the longest match decides' => ["User-agent: *\nDisallow: /a\nAllow: /a/b", 'Finder', '/a/b/c', true, 3];
        yield 'allow where both are as long' => ["User-agent: *\nDisallow: /page\nAllow: /page", 'Finder', '/page', true, 3];
        yield 'the agent its own group' => [
            "User-agent: *\nDisallow: /\n\nUser-agent: Finder\nAllow: /",
            'Finder/2.1 (+http://f.example)',
            '/a',
            true,
            5,
        ];
        yield 'groups of one name are one' => [
            "User-agent: a\nDisallow: /x\n\nUser-agent: b\nDisallow: /y\n\nUser-agent: A\nDisallow: /z",
            'a',
            '/z',
            false,
            8,
        ];
        yield 'several agents of one group' => ["User-agent: a\nUser-agent: b\nDisallow: /x", 'B', '/x', false, 3];
        yield 'a sitemap in between ends no group' => [
            "User-agent: a\nSitemap: http://s.example/s.xml\nUser-agent: b\nDisallow: /x",
            'a',
            '/x',
            false,
            4,
        ];
        yield 'anything in between' => ["User-agent: *\nDisallow: /*/print", 'x', '/a/b/print?x=1', false, 2];
        yield 'the end' => ["User-agent: *\nDisallow: /*.pdf$", 'x', '/a.pdf', false, 2];
        yield 'not the end' => ["User-agent: *\nDisallow: /*.pdf$", 'x', '/a.pdf?x', true, null];
        yield 'the end after a longer tail' => ["User-agent: *\nDisallow: /a*a$", 'x', '/aba', false, 2];
        yield 'too short for both ends' => ["User-agent: *\nDisallow: /aa*aa$", 'x', '/aaa', true, null];
        yield 'percent-encoding in one spelling' => ["User-agent: *\nDisallow: /caf%c3%a9", 'x', '/café', false, 2];
        yield 'an unreserved octet' => ["User-agent: *\nDisallow: /%61", 'x', '/a', false, 2];
        yield 'a slash that is encoded is none' => ["User-agent: *\nDisallow: /a%2Fb", 'x', '/a/b', true, null];
        yield 'a comment' => ["User-agent: * # all\nDisallow: /x # not this", 'x', '/x', false, 2];
        yield 'an empty path says nothing' => ["User-agent: *\nDisallow:", 'x', '/x', true, null];
        yield 'robots.txt itself' => ["User-agent: *\nDisallow: /", 'x', '/robots.txt', true, null];
        yield 'any line break, any case' => ["USER-AGENT: *\r\nDISALLOW: /x", 'x', '/x', false, 2];
        yield 'a byte order mark' => ["\xEF\xBB\xBFUser-agent: *\nDisallow: /x", 'x', '/x', false, 2];
    }

    #[Test, DataProvider('verdicts')]
    public function the_deciding_line_is_named(string $lines, string $agent, string $address, bool $isAllowed, ?int $line): void
    {
        $verdict = RobotsTxt::parse($lines)->verdict($agent, $address);
        self::assertSame([$isAllowed, $line], [$verdict->isAllowed, $verdict->rule?->line]);
    }

    #[Test]
    public function a_pattern_matches_what_an_expression_of_the_same_meaning_does(): void
    {
        $piece = Generators::elements('a', 'b', '/', '*', '$', '.', 'ab');
        $this->forAll(Generators::vector(6, $piece), Generators::vector(8, Generators::elements('a', 'b', '/', '.')))->then(function (
            array $pattern,
            array $address,
        ): void {
            // A dollar anywhere but at the end is only a sign.
            $path = '/'.implode('', $pattern);
            $at = '/'.implode('', $address);
            $isWhole = str_ends_with($path, '$');
            $expression = str_replace('\*', '.*', preg_quote($isWhole ? substr($path, 0, -1) : $path, '#'));
            self::assertSame(
                preg_match("#^$expression".($isWhole ? '$#D' : '#'), $at) === 1,
                (new RobotsRule(false, $path, 1))->matches($at),
                "$path on $at",
            );
        });
    }

    #[Test]
    public function it_is_composed_of_the_lines_a_group_for_all_and_the_sitemap(): void
    {
        self::assertSame(
            "User-agent: *\nDisallow:\n\nSitemap: http://f.test/sitemap.xml\n",
            RobotsComposer::compose('', 'http://f.test/sitemap.xml'),
        );
        $own = RobotsComposer::compose("User-agent: *\nDisallow: /crew", 'http://f.test/sitemap.xml');
        self::assertSame("User-agent: *\nDisallow: /crew\n\nSitemap: http://f.test/sitemap.xml\n", $own);
        self::assertSame(['http://f.test/sitemap.xml'], RobotsTxt::parse($own)->sitemaps);
        self::assertTrue(RobotsComposer::shutsOutAll("User-agent: *\nDisallow: /"));
        self::assertFalse(RobotsComposer::shutsOutAll("User-agent: *\nDisallow: /a"));
    }

    #[Test]
    public function a_line_that_no_crawler_reads_is_refused_by_its_number(): void
    {
        foreach (
            ["User-agent: *\nDisalow: /x" => 'line 2', 'Disallow: /x' => 'line 1', "User-agent: *\nDisallow: /\x07" => 'control'] as $lines => $part
        ) {
            try {
                RobotsComposer::guard($lines);
                self::fail('This was to be refused.');
            } catch (InputRefused $refused) {
                self::assertStringContainsString($part, $refused->reason);
            }
        }
    }

    #[Test]
    public function composing_changes_nothing_of_what_the_lines_say(): void
    {
        $line = Generators::elements(
            'User-agent: *',
            'User-agent: finder',
            'Disallow: /a',
            'Allow: /a/b',
            'Disallow: /*.pdf$',
            '# a remark',
            '',
            'Disallow:',
            'Allow: /',
        );
        $this->forAll(
            Generators::seq($line),
            Generators::elements('*', 'finder', 'Other/1.0'),
            Generators::elements('/', '/a', '/a/b/c', '/x.pdf', '/b'),
        )->then(function (array $lines, string $agent, string $address): void {
            $text = implode("\n", $lines);
            $said = RobotsTxt::parse($text)->verdict($agent, $address);
            $composed = RobotsTxt::parse(RobotsComposer::compose($text, 'http://f.test/sitemap.xml'));
            self::assertSame($said->isAllowed, $composed->verdict($agent, $address)->isAllowed);
            self::assertSame($said->rule?->line, $composed->verdict($agent, $address)->rule?->line, 'Lines keep their numbers.');
            self::assertSame(['http://f.test/sitemap.xml'], $composed->sitemaps);
            self::assertArrayHasKey('*', $composed->groups);
        });
    }

    #[Test]
    public function beyond_what_crawlers_read_nothing_counts(): void
    {
        $filler = str_repeat("# a remark that says nothing at all\n", (int) ceil(RobotsTxt::MAX_BYTES / 36));
        self::assertTrue(RobotsTxt::parse("User-agent: *\n{$filler}Disallow: /")->verdict('x', '/a')->isAllowed);
        self::assertFalse(RobotsTxt::parse("User-agent: *\nDisallow: /\n$filler")->verdict('x', '/a')->isAllowed);
    }
}

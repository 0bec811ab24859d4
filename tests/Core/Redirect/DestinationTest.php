<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Destination;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\RuleAnswer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where a request is sent: what it brings along never chooses the host, and nothing of the target is lost. */
final class DestinationTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string|null}> what is asked and where it is sent */
    public static function requests(): iterable
    {
        yield 'captures in path, query and fragment' => ['/n/2019/big', 'https://x.example/big/2019?y=2019#big'];
        yield 'a capture that would part parameters' => ['/n/2019/a&b=c', 'https://x.example/a&b=c/2019?y=2019#a%26b%3Dc'];
        yield 'a query merged with that of the target' => ['/n/2019/big?y=1&z=2', 'https://x.example/big/2019?y=2019&z=2#big'];
        yield 'the rest of a branch' => ['/old/a/b?c', '/islands/a/b?c'];
        yield 'a branch alone' => ['/old', '/islands'];
        yield 'a fragment that stays over a step' => ['/top?q', '/fares?q#prices'];
        yield 'a fragment that stays over two' => ['/over', '/fares#prices'];
        yield 'a fragment of its own on the way' => ['/own', '/fares#mine'];
        yield 'a query that is dropped' => ['/dropped?a=1', '/fares'];
        yield 'what has no fragment' => ['/plain', '/fares'];
    }

    #[Test, DataProvider('requests')]
    public function a_request_is_sent_where_its_rule_says(string $asked, ?string $location): void
    {
        $rules = [
            Rules::pattern('/n/:y(\\d+)/:slug', 'https://x.example/:slug/:y?y=:y#:slug'),
            Rules::branch('/old', '/islands'),
            Rules::one('/top', '/fares#prices'),
            Rules::one('/over', '/top'),
            Rules::one('/own', '/mine#mine'),
            Rules::one('/mine', 'page P'),
            Rules::one('/dropped', 'page P', ['query' => QueryHandling::Drop]),
            Rules::one('/plain', 'page P', ['answer' => RuleAnswer::Found]),
        ];
        self::assertSame($location, Rules::ask($rules, $asked, new AnsweringPage('P', 'Fares', '/fares', true))->location);
    }

    #[Test]
    public function no_request_chooses_the_host_it_is_sent_to(): void
    {
        $piece = Generators::elements(
            'evil.example',
            '/evil.example',
            '@evil.example',
            ':80',
            '..',
            '%2f%2fevil.example',
            '\\evil.example',
            '//',
            '?',
            'a',
            '.',
            '%5c',
            '#',
        );
        $rules = [
            Rules::pattern('/p/:a', 'https://safe.example/:a'),
            Rules::pattern('/w/*', 'https://safe.example/:0'),
            Rules::branch('/b', 'https://safe.example'),
            Rules::pattern('/own/*', '/:0'),
            Rules::branch('/ours', '/'),
        ];
        $this->limitTo(600)
            ->forAll(Generators::elements('/p/', '/w/', '/b/', '/b', '/own/', '/ours/'), Generators::vector(4, $piece))
            ->then(static function (string $begins, array $pieces) use ($rules): void {
                $location = Rules::ask($rules, $begins.implode('', $pieces))->location;
                if ($location === null) {
                    return;
                }
                if (str_starts_with($location, 'https:')) {
                    self::assertSame('safe.example', parse_url($location, PHP_URL_HOST), $location);
                    self::assertSame('https://safe.example', Destination::authority($location));
                } else {
                    self::assertMatchesRegularExpression('#^/(?![/\\\\])#', $location, 'Two slashes would be another host.');
                }
            });
    }
}

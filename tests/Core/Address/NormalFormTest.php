<?php

declare(strict_types=1);

namespace Tests\Core\Address;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\TrailingSlash;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class NormalFormTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string}> */
    public static function spellings(): iterable
    {
        yield 'nothing' => ['', '/'];
        yield 'plain' => ['/travel/fares', '/travel/fares'];
        yield 'no slash before' => ['travel', '/travel'];
        yield 'slash after' => ['/travel/', '/travel'];
        yield 'slashes repeated' => ['//travel///fares//', '/travel/fares'];
        yield 'dot segments' => ['/a/./b/../c', '/a/c'];
        yield 'dots beyond the top' => ['/../../a', '/a'];
        yield 'dots at the end' => ['/a/b/..', '/a'];
        yield 'dots percent-encoded' => ['/a/%2E%2e/b/%2e', '/b'];
        yield 'backslash' => ['/a\\b', '/a/b'];
        yield 'unreserved decoded' => ['/%7Euser/%41%2d', '/~user/A-'];
        yield 'hex in upper case' => ['/caf%c3%a9', '/caf%C3%A9'];
        yield 'letters encoded' => ['/café', '/caf%C3%A9'];
        yield 'slash encoded stays' => ['/a%2fb', '/a%2Fb'];
        yield 'percent encoded stays' => ['/100%25', '/100%25'];
        yield 'stray percent stays' => ['/100%', '/100%'];
        yield 'stray percent before a decoded triplet' => ['/%%34%31', '/%2541'];
        yield 'path percent-encode set' => ['/a b"<>^`{|}', '/a%20b%22%3C%3E%5E%60%7B|%7D'];
        yield 'tabs and line breaks fall out' => ["/a\tb\nc", '/abc'];
        yield 'capitals stay' => ['/Travel', '/Travel'];
    }

    #[Test, DataProvider('spellings')]
    public function every_spelling_has_one_normal_form(string $spelling, string $normal): void
    {
        self::assertSame($normal, NormalForm::of($spelling, new AddressRules()));
    }

    #[Test]
    public function the_sites_rules_decide_the_end_of_an_address(): void
    {
        $always = new AddressRules(trailingSlash: TrailingSlash::Always);
        self::assertSame('/travel/', NormalForm::of('/travel', $always));
        self::assertSame('/plan.pdf', NormalForm::of('/plan.pdf/', $always));
        self::assertSame('/v2.0/', NormalForm::of('/v2.0', $always));
        $suffix = new AddressRules(suffix: '.html');
        self::assertSame('/travel.html', NormalForm::of('/travel', $suffix));
        self::assertSame('/travel.html', NormalForm::of('/travel.html', $suffix));
        self::assertSame('/', NormalForm::of('/', $suffix));
    }

    #[Test]
    public function normalising_twice_changes_nothing(): void
    {
        $pieces = [
            '/',
            '//',
            '.',
            '..',
            '%2e',
            '%',
            '%4',
            '1',
            '%41',
            '%25',
            '%c3%a9',
            'é',
            'A',
            'b',
            '\\',
            ' ',
            '.html',
            '%zz',
            "\t",
            '|',
            '%2F',
            '%0a',
            "\xff",
        ];
        $this->limitTo(500)
            ->forAll(
                Generators::seq(Generators::elements($pieces)),
                Generators::elements(TrailingSlash::cases()),
                Generators::elements(['', '.html']),
            )
            ->then(function (array $parts, TrailingSlash $slash, string $suffix): void {
                $rules = new AddressRules(trailingSlash: $suffix === '' ? $slash : TrailingSlash::Never, suffix: $suffix);
                $once = NormalForm::of(implode('', $parts), $rules);
                self::assertSame($once, NormalForm::of($once, $rules));
                self::assertMatchesRegularExpression('#^/[\x21-\x7E]*$#D', $once);
            });
    }

    #[Test]
    public function two_addresses_with_different_keys_never_share_a_normal_form(): void
    {
        $this->limitTo(300)
            ->forAll(Generators::string(), Generators::string())
            ->then(function (string $one, string $two): void {
                $rules = new AddressRules();
                $a = Address::asked($one, $rules);
                $b = Address::asked($two, $rules);
                self::assertSame($a->path === $b->path ? true : $a->equals($b), $a->equals($b));
                self::assertTrue($a->key !== $b->key || strtolower($a->path) === strtolower($b->path));
            });
    }

    #[Test]
    public function comparison_ignores_case_and_composition_of_letters_unless_the_site_tells_them_apart(): void
    {
        $rules = new AddressRules();
        self::assertTrue(Address::asked('/Travel', $rules)->equals(Address::asked('/tRAVEL/', $rules)));
        self::assertTrue(Address::asked('/ÄRGER', $rules)->equals(Address::asked('/%C3%A4rger', $rules)));
        self::assertTrue(Address::asked("/cafe\u{301}", $rules)->equals(Address::asked('/café', $rules)));
        $strict = new AddressRules(caseSensitive: true);
        self::assertFalse(Address::asked('/Travel', $strict)->equals(Address::asked('/travel', $strict)));
    }

    #[Test]
    public function a_request_may_be_a_whole_url_and_its_query_is_put_aside(): void
    {
        $rules = new AddressRules();
        self::assertSame('/travel', Address::asked('https://skerrivane.example:8080/travel/?day=2#top', $rules)->path);
        self::assertSame('/', Address::asked('http://skerrivane.example', $rules)->path);
        self::assertSame('/evil.example/x', Address::asked('//evil.example/x', $rules)->path);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'empty' => [' ', 'empty'];
        yield 'no slash' => ['summer', 'begins with a slash'];
        yield 'query' => ['/a?b', 'question mark'];
        yield 'fragment' => ['/a#b', 'number sign'];
        yield 'backslash' => ['/a\\b', 'backslash'];
        yield 'control' => ["/a\x07", 'control characters'];
        yield 'not utf-8' => ["/\xff", 'UTF-8'];
        yield 'too long' => ['/'.str_repeat('a', 2000), '2000'];
    }

    #[Test, DataProvider('refused')]
    public function what_no_address_can_hold_is_refused_with_the_reason(string $typed, string $reason): void
    {
        try {
            Address::set($typed, new AddressRules());
            self::fail('Nothing was refused.');
        } catch (InvalidAddress $refusal) {
            self::assertSame('address', $refusal->field);
            self::assertStringContainsString($reason, $refusal->reason);
        }
    }

    #[Test]
    public function a_suffix_and_a_trailing_slash_contradict_each_other(): void
    {
        $this->expectException(InvalidAddress::class);
        new AddressRules(trailingSlash: TrailingSlash::Always, suffix: '.html');
    }
}

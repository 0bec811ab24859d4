<?php

declare(strict_types=1);

namespace Tests\Core\Address;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\InvalidSlug;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Address\TrailingSlash;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SlugTest extends TestCase
{
    use TestTrait;

    /** @return iterable<array{string, string, string}> */
    public static function titles(): iterable
    {
        yield ['en', 'Travelling with dogs', 'travelling-with-dogs'];
        yield ['en', '  Fares & prices — 2026!  ', 'fares-prices-2026'];
        yield ['en', 'Häfen auf Ullin', 'hafen-auf-ullin'];
        yield ['de', 'Häfen, Öffnung & Straße', 'haefen-oeffnung-strasse'];
        yield ['de-AT', "Ha\u{308}fen", 'haefen'];
        yield ['da', 'På øen', 'paa-oeen'];
        yield ['sv', 'På ön', 'pa-on'];
        yield ['tr', 'IŞIK ığdır', 'isik-igdir'];
        yield ['en', 'Паром', 'parom'];
        yield ['en', 'Νησιά', 'nesia'];
        yield ['en', '渡し船', 'dushi-chuan'];
        yield ['en', '!!!', 'page'];
        yield ['en', '🚢', 'page'];
    }

    #[Test, DataProvider('titles')]
    public function a_slug_follows_from_a_title_in_the_sites_language(string $language, string $title, string $slug): void
    {
        if ($title === '渡し船') {
            self::assertMatchesRegularExpression('/^[a-z0-9]+(-[a-z0-9]+)*$/', $this->make($title, $language));

            return;
        }
        self::assertSame($slug, $this->make($title, $language));
    }

    #[Test]
    public function a_long_title_is_cut_at_a_word_boundary(): void
    {
        $slug = $this->make(str_repeat('harbour ', 12));
        self::assertSame(implode('-', array_fill(0, 9, 'harbour')), $slug);
        self::assertSame(75, strlen($this->make(str_repeat('a', 90))));
        self::assertSame(str_repeat('a', 75), $this->make(str_repeat('a', 75).' b'));
    }

    #[Test]
    public function a_site_may_keep_native_letters(): void
    {
        self::assertSame('häfen-größe', (new SlugMaker(new AddressRules(language: 'de', nativeLetters: true)))->make('Häfen: Größe')->text);
        self::assertSame('ışık', (new SlugMaker(new AddressRules(language: 'tr', nativeLetters: true)))->make('IŞIK')->text);
    }

    #[Test]
    public function any_title_gives_a_slug_that_is_its_own_slug(): void
    {
        $this->limitTo(300)
            ->forAll(Generators::string())
            ->then(function (string $title): void {
                $slug = $this->make($title);
                self::assertMatchesRegularExpression('/^[a-z0-9]+(-[a-z0-9]+)*$/', $slug);
                self::assertSame($slug, $this->make($slug));
            });
    }

    #[Test]
    public function a_composed_address_parses_to_itself(): void
    {
        $typed = Generators::map(
            static fn (array $parts): string => implode('', $parts),
            Generators::seq(Generators::elements(['a', 'B', 'é', '.', '%', '%41', '4', '1', ' ', '-', '|', '.html', '~', '日'])),
        );
        $this->limitTo(500)
            ->forAll($typed, $typed, Generators::elements(['never', 'always', 'suffix']))
            ->then(function (string $one, string $two, string $rule): void {
                $rules = $rule === 'suffix' ? new AddressRules(suffix: '.html') : new AddressRules(trailingSlash: TrailingSlash::from($rule));
                try {
                    $address = Composition::compose(Composition::compose(null, Slug::of($one), $rules), Slug::of($two), $rules);
                } catch (InvalidSlug) {
                    return;
                }
                self::assertSame($address->path, Address::asked($address->path, $rules)->path);
            });
        self::assertSame(
            '/travel/fares',
            Composition::compose(Address::stored('/travel', new AddressRules()), Slug::of('fares'), new AddressRules())->path,
        );
    }

    #[Test]
    public function addresses_are_composed_from_the_parent_whatever_its_ending(): void
    {
        $html = new AddressRules(suffix: '.html');
        self::assertSame('/travel/fares.html', Composition::compose(Address::stored('/travel.html', $html), Slug::of('fares'), $html)->path);
        $slash = new AddressRules(trailingSlash: TrailingSlash::Always);
        self::assertSame('/travel/fares/', Composition::compose(Address::stored('/travel/', $slash), Slug::of('fares'), $slash)->path);
        self::assertSame('/fares', Composition::compose(Address::stored('/', new AddressRules()), Slug::of('fares'), new AddressRules())->path);
    }

    #[Test]
    public function an_address_that_would_be_too_long_is_refused(): void
    {
        $this->expectException(InvalidAddress::class);
        Composition::compose(Address::stored('/'.str_repeat('a', 1900), new AddressRules()), Slug::of(str_repeat('b', 120)), new AddressRules());
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'empty' => ['', 'empty'];
        yield 'one dot' => ['.', 'Dots'];
        yield 'two dots encoded' => ['%2e%2E', 'Dots'];
        yield 'slash' => ['a/b', 'slash'];
        yield 'slash encoded' => ['a%2fb', 'slash'];
        yield 'question mark' => ['a?', 'question mark'];
        yield 'number sign' => ['a#b', 'number sign'];
        yield 'backslash' => ['a\\b', 'backslash'];
        yield 'control character encoded' => ['a%00b', 'control characters'];
        yield 'too long' => [str_repeat('ö', 201), '200'];
    }

    #[Test, DataProvider('refused')]
    public function what_no_slug_can_hold_is_refused_with_one_that_would_do(string $typed, string $reason): void
    {
        try {
            Slug::of($typed);
            self::fail('Nothing was refused.');
        } catch (InvalidSlug $refusal) {
            self::assertSame('slug', $refusal->field);
            self::assertStringContainsString($reason, $refusal->reason);
            self::assertNotSame('', Slug::of((string) $refusal->suggestion)->text);
        }
    }

    #[Test]
    public function the_systems_own_addresses_are_reserved(): void
    {
        foreach (['/robots.txt', '/Robots.TXT', '/sitemap.xml', '/sitemap-3.xml', '/.well-known/security.txt', '/_site/site.css'] as $path) {
            self::assertTrue(ReservedAddresses::includes(Address::asked($path, new AddressRules())), $path);
        }
        foreach (['/', '/sitemap', '/robots', '/well-known', '/a/robots.txt', '/_sites'] as $path) {
            self::assertFalse(ReservedAddresses::includes(Address::asked($path, new AddressRules())), $path);
        }
    }

    private function make(string $title, string $language = 'en'): string
    {
        return (new SlugMaker(new AddressRules(language: $language)))->make($title)->text;
    }
}

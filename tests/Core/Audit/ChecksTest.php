<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Heronstem\Core\Audit\AddressFate;
use Heronstem\Core\Audit\Auditor;
use Heronstem\Core\Audit\Checks;
use Heronstem\Core\Audit\Finding;
use Heronstem\Core\Audit\Fingerprint;
use Heronstem\Core\Audit\PhraseUse;
use Heronstem\Core\Audit\Picture;
use Heronstem\Core\Audit\ReadingEase;
use Heronstem\Core\Audit\Stem;
use Heronstem\Core\Linking\OutsideState;
use Heronstem\Core\Search\DescriptionSource;
use Heronstem\Core\Tree\Canonical;
use Heronstem\Core\Tree\PageKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every check: a page that it finds, next to one that it does not. */
final class ChecksTest extends TestCase
{
    private const OTHER = '01J0000000000000000000000B';

    /** @return iterable<string, array{string, array<string, mixed>, 2?: array<string, mixed>, 3?: array<string, AddressFate>}> code, what is wrong with the page, with another one, with addresses */
    public static function faults(): iterable
    {
        yield 'title-missing' => ['title-missing', ['title' => '', 'titleWidth' => 0.0]];
        yield 'title-too-wide' => ['title-too-wide', ['titleWidth' => 580.1]];
        yield 'title-too-short' => ['title-too-short', ['title' => 'Fares', 'titleWidth' => 51.0]];
        yield 'title-equal' => [
            'title-equal',
            ['title' => 'Ferry  FARES and boats of the islands'],
            ['title' => 'Ferry fares and boats of the islands'],
        ];
        yield 'title-is-heading' => ['title-is-heading', ['title' => 'ferry Fares']];
        yield 'description-missing' => [
            'description-missing',
            ['description' => '', 'descriptionWidth' => 0.0, 'descriptionSource' => DescriptionSource::None],
        ];
        yield 'description-fallback' => ['description-fallback', ['descriptionSource' => DescriptionSource::Content]];
        yield 'description of the site' => ['description-fallback', ['descriptionSource' => DescriptionSource::Site]];
        yield 'description-too-wide' => ['description-too-wide', ['descriptionWidth' => 921.0]];
        yield 'description-too-short' => ['description-too-short', ['descriptionWidth' => 299.0]];
        yield 'description-equal' => ['description-equal', ['description' => 'All boats, all days.'], ['description' => 'all boats, all days.']];
        yield 'heading-missing' => ['heading-missing', ['heading' => ' ']];
        yield 'headings-several' => ['headings-several', ['headingLevels' => [2, 1]]];
        yield 'heading-order' => ['heading-order', ['headingLevels' => [2, 4]]];
        yield 'heading-equal' => ['heading-equal', ['heading' => 'Ferry prices'], ['heading' => 'Ferry prices']];
        yield 'slug-long' => ['slug-long', ['slug' => 'ferry-fares-'.str_repeat('very-', 10)]];
        yield 'slug-capital' => ['slug-capital', ['slug' => 'Ferry-fares']];
        yield 'slug-underscore' => ['slug-underscore', ['slug' => 'ferry_fares']];
        yield 'slug-stop-words' => ['slug-stop-words', ['slug' => 'the-fares-of-the-ferry-and-a']];
        yield 'slug-unlike-heading' => ['slug-unlike-heading', ['slug' => 'page-12']];
        yield 'address-deep' => ['address-deep', ['address' => '/a/b/c/d/e/f']];
        yield 'address-long' => ['address-long', ['address' => '/'.str_repeat('a', 115)]];
        yield 'canonical-parameters' => ['canonical-parameters', ['canonical' => Canonical::read('https://f.test/a?x=1')]];
        yield 'canonical to a draft' => ['canonical-broken', ['canonical' => Canonical::read(self::OTHER)], ['isLive' => false]];
        yield 'canonical to nothing' => ['canonical-broken', ['canonical' => Canonical::read('https://f.test/x'), 'canonicalAddress' => '/x']];
        yield 'canonical to a gone address' => [
            'canonical-broken',
            ['canonical' => Canonical::read('https://f.test/x'), 'canonicalAddress' => '/x'],
            [],
            ['/x' => AddressFate::Gone],
        ];
        yield 'canonical-redirect' => [
            'canonical-redirect',
            ['canonical' => Canonical::read('https://f.test/x'), 'canonicalAddress' => '/x'],
            [],
            ['/x' => AddressFate::Redirect],
        ];
        yield 'canonical-noindex' => ['canonical-noindex', ['canonical' => Canonical::read(self::OTHER)], ['index' => false]];
        yield 'canonical to an unlisted page' => ['canonical-noindex', ['canonical' => Canonical::read(self::OTHER)], ['isListed' => false]];
        yield 'canonical-chain' => [
            'canonical-chain',
            ['canonical' => Canonical::read(self::OTHER)],
            ['canonical' => Canonical::read('https://e.example/')],
        ];
        yield 'canonical-loop' => [
            'canonical-loop',
            ['canonical' => Canonical::read(self::OTHER)],
            ['canonical' => Canonical::read('01J0000000000000000000000A')],
        ];
        yield 'canonical-spelling' => [
            'canonical-spelling',
            ['canonical' => Canonical::read('https://f.test/travel/ferry-fares/'), 'canonicalAddress' => '/travel/ferry-fares'],
        ];
        yield 'canonical-language' => ['canonical-language', ['canonical' => Canonical::read('https://de.example/'), 'canonicalLanguage' => 'de-AT']];
        yield 'canonical-sitemap' => ['canonical-sitemap', ['canonical' => Canonical::read('https://e.example/'), 'saysSitemap' => true]];
        yield 'canonical-missing' => ['canonical-missing', ['canonical' => Canonical::read('none'), 'hasFurtherAddresses' => true]];
        yield 'robots-blocked' => ['robots-blocked', ['mayBeFetched' => false]];
        yield 'robots-contradiction' => ['robots-contradiction', ['mayBeFetched' => false, 'index' => false]];
        yield 'sitemap-noindex' => ['sitemap-noindex', ['saysSitemap' => true, 'index' => false]];
        yield 'sitemap-left-out' => ['sitemap-left-out', ['isInSitemap' => false]];
        yield 'orphan' => ['orphan', ['clicks' => null]];
        yield 'too-deep' => ['too-deep', ['clicks' => 5]];
        yield 'no-links' => ['no-links', ['linksOut' => 0]];
        yield 'link to a draft' => ['link-broken', ['links' => [self::OTHER]], ['isLive' => false]];
        yield 'link to nothing' => ['link-broken', ['rawLinks' => ['/x']]];
        yield 'link-redirect' => ['link-redirect', ['rawLinks' => ['/x']], [], ['/x' => AddressFate::Redirect]];
        yield 'outside-link-broken' => ['outside-link-broken', ['outsideLinks' => ['https://e.example/gone', 'https://e.example/']]];
        yield 'outside-link-moved' => ['outside-link-moved', ['outsideLinks' => ['https://e.example/moved']]];
        yield 'link-raw' => ['link-raw', ['rawLinks' => ['/x']], [], ['/x' => AddressFate::Page]];
        yield 'picture-no-alt' => ['picture-no-alt', ['pictures' => [new Picture(' ', 1, 1, 1), new Picture('A boat', 1, 1, 1)]]];
        yield 'picture of many bytes' => ['picture-oversized', ['pictures' => [new Picture('A boat', 500_001, 1200, 800)]]];
        yield 'picture of many pixels' => ['picture-oversized', ['pictures' => [new Picture('A boat', 1, 800, 2561)]]];
        yield 'thin-content' => ['thin-content', ['words' => 119]];
        yield 'content-near-equal' => ['content-near-equal', ['fingerprint' => 0b1111], ['fingerprint' => 0b1000]];
        yield 'hard-to-read' => ['hard-to-read', ['readingEase' => 29.0]];
        yield 'social-picture-missing' => ['social-picture-missing', ['socialPicture' => null]];
        yield 'social-picture-small' => ['social-picture-small', ['socialPicture' => [600, 300]]];
        yield 'language-missing' => ['language-missing', ['language' => '']];
        yield 'insecure-links' => ['insecure-links', ['linksOut' => 2, 'insecureLinks' => 1]];
        yield 'schedule-ended' => ['schedule-ended', ['ended' => true, 'isLive' => false]];
        yield 'live-under-draft' => ['live-under-draft', ['parent' => self::OTHER], ['isLive' => false]];
        yield 'noindex-in-menu' => ['noindex-in-menu', ['index' => false, 'handMadeMenus' => ['Footer']]];
        yield 'phrase-title' => ['phrase-title', ['phrase' => new PhraseUse('boats', inTitle: false)]];
        yield 'phrase-heading' => ['phrase-heading', ['phrase' => new PhraseUse('boats', inHeading: false)]];
        yield 'phrase-slug' => ['phrase-slug', ['phrase' => new PhraseUse('boats', inSlug: false)]];
        yield 'phrase-description' => ['phrase-description', ['phrase' => new PhraseUse('boats', inDescription: false)]];
        yield 'phrase-start' => ['phrase-start', ['phrase' => new PhraseUse('boats', atStart: false)]];
        yield 'phrase-picture' => ['phrase-picture', ['phrase' => new PhraseUse('boats', inPicture: false)]];
        yield 'phrase-stuffed' => ['phrase-stuffed', ['phrase' => new PhraseUse('boats', density: 0.031)]];
        yield 'phrase-taken' => ['phrase-taken', ['phrase' => new PhraseUse('Boats')], ['phrase' => new PhraseUse('boats ')]];
    }

    /**
     * @param  array<string, mixed>  $page
     * @param  array<string, mixed>  $other
     * @param  array<string, AddressFate>  $fates
     */
    #[Test, DataProvider('faults')]
    public function it_finds_its_fault_and_nothing_in_a_good_page(string $code, array $page, array $other = [], array $fates = []): void
    {
        $good = Pages::good();
        $beside = Pages::page(
            self::OTHER,
            ...['title' => 'Quite another title of another page', 'heading' => 'Other', 'description' => 'Another.', 'address' => '/o', ...$other],
        );
        $site = MemoryAudit::of($good, $beside);
        self::assertNotContains($code, self::codes($good, $site));
        $bad = Pages::page(...['id' => $good->id, ...$page]);
        $site->pages[$bad->id] = $bad;
        $site->fates = $fates;
        $site->outside = ['https://e.example/gone' => OutsideState::Broken, 'https://e.example/' => OutsideState::Works, 'https://e.example/moved' => OutsideState::Moved];
        self::assertContains($code, self::codes($bad, $site));
    }

    #[Test]
    public function every_check_is_tried_here_has_a_code_of_its_own_and_says_why(): void
    {
        $tried = array_unique(array_column(iterator_to_array(self::faults(), false), 0));
        self::assertEqualsCanonicalizing(array_keys(Checks::infos()), $tried);
        self::assertCount(count(Checks::all()), Checks::infos());
        foreach (Checks::infos() as $info) {
            self::assertMatchesRegularExpression('/^[a-z]+(-[a-z]+)*$/', $info->code);
            self::assertStringEndsWith('.', $info->why);
            self::assertTrue($info->weight >= 1 && $info->weight <= 10);
        }
    }

    #[Test]
    public function a_page_that_visitors_do_not_see_is_no_double_and_a_pointer_has_no_content_to_look_at(): void
    {
        $draft = Pages::page(self::OTHER, isLive: false);
        self::assertNotContains('title-equal', self::codes(Pages::good(), MemoryAudit::of(Pages::good(), $draft)));
        self::assertContains('title-equal', self::codes($draft, MemoryAudit::of(Pages::good(), $draft)), 'It would be one once it is live.');
        $pointer = Pages::page(kind: PageKind::Pointer, title: '', words: 0, descriptionSource: DescriptionSource::None);
        self::assertSame([], self::codes($pointer, MemoryAudit::of($pointer)));
    }

    #[Test]
    public function texts_that_differ_in_a_word_are_near_and_others_are_far(): void
    {
        $text = implode(' ', array_map(static fn (int $n): string => 'word'.($n * 7) % 113, range(1, 400)));
        $near = Fingerprint::distance(Fingerprint::of($text), Fingerprint::of($text.' more'));
        self::assertLessThanOrEqual(Fingerprint::DISTANCE, $near);
        self::assertSame(Fingerprint::of($text), Fingerprint::of(strtoupper($text).'!'), 'Case and signs say nothing.');
        $other = implode(' ', array_map(static fn (int $n): string => 'thing'.($n * 5) % 131, range(1, 400)));
        self::assertGreaterThan(12, Fingerprint::distance(Fingerprint::of($text), Fingerprint::of($other)));
        self::assertSame(0, Fingerprint::of('Too few words to tell anything.'));
        self::assertNotSame([], array_intersect(Fingerprint::bands(0b1111), Fingerprint::bands(0b1000)), 'Near ones share a band.');
    }

    #[Test]
    public function words_are_compared_by_their_stems_and_easy_texts_read_easier(): void
    {
        self::assertTrue(Stem::contains('Our summer timetables for all boats', 'summer timetable', 'en-GB'));
        self::assertFalse(Stem::contains('Timetables for the summer', 'summer timetable', 'en'));
        self::assertTrue(Stem::contains('Die Fähren und ihre Häfen', 'fähre', 'de'));
        self::assertSame(2, Stem::count('Boats and more boats', 'boat', 'en'));
        self::assertSame(Stem::of('cafés', 'xx'), Stem::of('cafes', 'xx'));
        $easy = (float) ReadingEase::of('The boat goes at ten. The dog may come. It is a short trip.', 'en');
        $hard = (float) ReadingEase::of(
            'Notwithstanding aforementioned contractual obligations, transportation undertakings necessitate administrative authorisation.',
            'en',
        );
        self::assertGreaterThan(80, $easy);
        self::assertLessThan(20, $hard);
        self::assertNull(ReadingEase::of('Tekst.', 'xx'));
    }

    /** @return list<string> */
    private static function codes(\Heronstem\Core\Audit\AuditedPage $page, MemoryAudit $site): array
    {
        return array_map(static fn (Finding $finding): string => $finding->check->code, Auditor::complete()->report($page, $site)->findings());
    }
}

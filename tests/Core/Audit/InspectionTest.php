<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\Inspection;
use Heronstem\Core\Audit\Place;
use Heronstem\Core\Audit\Surroundings;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\PlainText;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Moment;
use Heronstem\Core\Search\DescriptionSource;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\RobotsTxt;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchSettings;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the audit sees in a page, its content and what surrounds it. */
final class InspectionTest extends TestCase
{
    private const FILE = '01J000000000000000000000F1';

    private const OTHER = '01J000000000000000000000P2';

    #[Test]
    public function titles_and_descriptions_are_measured_and_their_source_is_named(): void
    {
        $seen = $this->seen($this->page(), [$this->paragraph('The ferry sails to Ullin twice a day.')]);
        self::assertSame(['Fares · Ferries', DescriptionSource::Content], [$seen->title, $seen->descriptionSource]);
        self::assertEqualsWithDelta(131.12, $seen->titleWidth, 0.01);
        self::assertSame('The ferry sails to Ullin twice a day.', $seen->description);
        self::assertSame(8, $seen->words);
        self::assertSame(0, $seen->fingerprint, 'Too few words to be the double of anything.');
    }

    #[Test]
    public function links_are_told_apart_by_where_they_lead(): void
    {
        $link = static fn (array $attrs): array => ['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'link', 'attrs' => $attrs]]];
        $seen = $this->seen($this->page(), [
            [
                'type' => 'paragraph',
                'content' => [
                    $link(['page' => self::OTHER]),
                    $link(['href' => '/old?x=1']),
                    $link(['href' => 'https://ferries.test/old']),
                    $link(['href' => 'http://elsewhere.example/']),
                    $link(['href' => 'https://elsewhere.example/']),
                    $link(['href' => 'mailto:office@skerrivane.example']),
                ],
            ],
        ]);
        self::assertSame([self::OTHER], $seen->links);
        self::assertSame(['/old'], $seen->rawLinks);
        self::assertSame([2, 1], [$seen->linksOut, $seen->insecureLinks]);
        self::assertSame([self::OTHER], $seen->refersTo());
        self::assertSame(['/old'], $seen->addressesNamed());
    }

    #[Test]
    public function pictures_bring_their_weight_and_headings_their_levels(): void
    {
        $seen = $this->seen($this->page(), [
            ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'H']]],
            ['type' => 'blockquote', 'content' => [$this->paragraph('q')]],
            ['type' => 'heading', 'attrs' => ['level' => 4], 'content' => [['type' => 'text', 'text' => 'H']]],
            ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'alt' => 'A boat']],
            ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'decorative' => true]],
        ]);
        self::assertSame([2, 4], $seen->headingLevels);
        self::assertSame(
            [['A boat', 900_000, 3000], ['-', 900_000, 3000]],
            array_map(static fn ($picture): array => [$picture->alt, $picture->bytes, $picture->width], $seen->pictures),
        );
        self::assertSame([1200, 630], $seen->socialPicture);
    }

    #[Test]
    public function robots_schedules_and_places_are_looked_up(): void
    {
        $gone = $this->page(['state' => PageState::Offline, 'until' => Moment::at(900)]);
        $seen = $this->seen($gone, [], new Place(3, ['Footer'], true));
        self::assertTrue($seen->ended);
        self::assertFalse($seen->mayBeFetched, 'robots.txt shuts its branch out.');
        self::assertSame([3, ['Footer'], true], [$seen->clicks, $seen->handMadeMenus, $seen->hasFurtherAddresses]);
        self::assertFalse(
            $this->seen($this->page(['state' => PageState::Offline, 'until' => Moment::at(2000)]), [])->ended,
            'Its time is still to come.',
        );
    }

    #[Test]
    public function a_canonical_url_is_followed_home_and_its_language_is_known(): void
    {
        $of = fn (string $canonical): AuditedPage => $this->seen(
            $this->page(['search' => (new SearchSettings())->changed(['canonical' => $canonical])]),
            [],
        );
        self::assertSame('/travel/fares', $of('https://ferries.test/travel/fares/')->canonicalAddress);
        self::assertSame([null, 'de'], [$of('https://boote.example/x')->canonicalAddress, $of('https://BOOTE.example/x')->canonicalLanguage]);
        self::assertNull($of('https://nobody.example/')->canonicalLanguage);
        self::assertFalse($of('none')->counts(), 'Who names nobody counts for nobody.');
    }

    #[Test]
    public function a_target_phrase_is_found_in_any_of_its_forms(): void
    {
        $page = $this->page([
            'slug' => Slug::of('ferry-fares'),
            'texts' => new PageTexts('Fares of the ferry', '', 'Ferry fare', 'All ferry fares.'),
            'search' => (new SearchSettings())->changed(['targetPhrase' => 'ferry fares']),
        ]);
        $use = $this->seen($page, [$this->paragraph(str_repeat('Something else is said here first. ', 30).'Ferry fares.')])->phrase;
        self::assertNotNull($use);
        self::assertSame(
            [true, false, true, true, false, false],
            [$use->inTitle, $use->inHeading, $use->inSlug, $use->inDescription, $use->atStart, $use->inPicture],
        );
        self::assertGreaterThan(0, $use->density);
        self::assertNull(
            $this->seen($this->page(['search' => (new SearchSettings())->changed(['targetPhrase' => 'of the'])]), [])->phrase,
            'Filler alone is no phrase.',
        );
    }

    /** @param  array<string, mixed>  $fields */
    private function page(array $fields = []): Page
    {
        $page = new Page(
            id: '01J000000000000000000000P1',
            parent: null,
            position: 0,
            name: 'Fares',
            slug: Slug::of('fares'),
            slugByHand: false,
            pinned: null,
            state: PageState::Live,
            everLive: true,
            listed: true,
            address: Address::stored('/travel/fares', new AddressRules()),
        );

        return $page->with($fields);
    }

    /** @return array<string, mixed> */
    private function paragraph(string $text): array
    {
        return ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]];
    }

    /** @param  list<array<string, mixed>>  $blocks */
    private function seen(Page $page, array $blocks, Place $place = new Place(1)): AuditedPage
    {
        $content = Document::read(['type' => 'doc', 'content' => $blocks]);
        $inspection = new Inspection(
            new SiteFacts('Ferries', '', 'en-GB', 'https://ferries.test'),
            new Surroundings(
                new OwnAddress(new AddressRules(), 'https://ferries.test'),
                RobotsTxt::parse("User-agent: *\nDisallow: /travel"),
                Moment::at(1000),
                null,
                ['boote.example' => 'de'],
            ),
        );
        $facts = new PageFacts(
            $page->name,
            null,
            null,
            $page->texts,
            PlainText::of($content),
            $page->address->path,
            (new SiteSearch())->for($page, []),
        );

        return $inspection->of($page, $facts, $content, $place, [self::FILE => ['bytes' => 900_000, 'width' => 3000, 'height' => 2000]], [1200, 630]);
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\Test;

/** What the public site tells search engines and social cards in its heads and headers. */
final class HeadTagsTest extends AppTestCase
{
    private string $home;

    private string $travel;

    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $this->home]);
        $this->travel = $this->live('Travel');
        $this->fares = $this->live('Fares', $this->travel);
    }

    #[Test]
    public function a_page_names_itself_or_what_counts_for_it_and_follows_where_that_moves(): void
    {
        self::assertSame('http://ferries.test/travel/fares', $this->canonical('/travel/fares'));
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'canonical' => $this->travel]);
        self::assertSame('http://ferries.test/travel', $this->canonical('/travel/fares'));
        $this->change(['kind' => 'set-slug', 'page' => $this->travel, 'slug' => 'journeys']);
        self::assertSame('http://ferries.test/journeys', $this->canonical('/journeys/fares'));
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'canonical' => 'https://elsewhere.example/?a=1&b=2']);
        self::assertSame('https://elsewhere.example/?a=1&b=2', $this->canonical('/journeys/fares'));
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'canonical' => 'none']);
        self::assertNull($this->canonical('/journeys/fares'));
    }

    #[Test]
    public function a_canonical_page_that_visitors_cannot_see_is_not_named(): void
    {
        $other = $this->live('Other');
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'canonical' => $other]);
        $this->change(['kind' => 'take-offline', 'page' => $other]);
        self::assertSame('http://ferries.test/travel/fares', $this->canonical('/travel/fares'), 'Better its own than one where nothing is.');
    }

    #[Test]
    public function index_and_follow_come_from_the_nearest_that_says_so(): void
    {
        $robots = fn (string $address): ?string => $this->tag($address, '//meta[@name="robots"]/@content');
        self::assertNull($robots('/travel/fares'));
        $this->change(['kind' => 'set-branch-search', 'page' => $this->travel, 'index' => false, 'follow' => false]);
        self::assertSame('noindex, nofollow', $robots('/travel/fares'));
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'index' => true]);
        self::assertSame('nofollow', $robots('/travel/fares'));
        $this->change(['kind' => 'unlist-page', 'page' => $this->fares]);
        self::assertSame('noindex, nofollow', $robots('/travel/fares'), 'Unlisted is never listed, whatever is set.');
    }

    #[Test]
    public function a_card_has_its_own_texts_and_the_nearest_picture(): void
    {
        [$branch, $own] = [$this->uploaded('branch.png'), $this->uploaded('own.png')];
        $image = fn (): ?string => $this->tag('/travel/fares', '//meta[@property="og:image"]/@content');
        self::assertNull($image());
        self::assertSame('summary', $this->tag('/travel/fares', '//meta[@name="twitter:card"]/@content'));
        $this->change(['kind' => 'set-branch-search', 'page' => $this->travel, 'socialPicture' => $branch['id']]);
        self::assertSame('http://ferries.test'.$branch['address'], $image());
        self::assertSame('summary_large_image', $this->tag('/travel/fares', '//meta[@name="twitter:card"]/@content'));
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'socialPicture' => $own['id']]);
        self::assertSame('http://ferries.test'.$own['address'], $image());
        $this->api('PATCH', "pages/{$this->travel}", ['layout' => 'section'], headers: ['If-Match' => '*'])->assertOk();
        $this->visit('/travel')->assertSee('src="'.$own['address'].'"', false);
        $this->change([
            'kind' => 'describe',
            'page' => $this->fares,
            'socialTitle' => 'What a crossing costs',
            'socialDescription' => 'Less than you think.',
        ]);
        self::assertSame('What a crossing costs', $this->tag('/travel/fares', '//meta[@property="og:title"]/@content'));
        self::assertSame('Less than you think.', $this->tag('/travel/fares', '//meta[@property="og:description"]/@content'));
        self::assertSame('Fares · Ferries', $this->tag('/travel/fares', '//title'), 'The title tag is another thing.');
    }

    #[Test]
    public function texts_for_cards_of_a_live_page_wait_until_they_are_published(): void
    {
        $this->api('PATCH', "pages/{$this->fares}", ['socialTitle' => 'New'], headers: ['If-Match' => '*'])
            ->assertOk()
            ->assertJsonPath('socialTitle', 'New');
        self::assertSame('Fares · Ferries', $this->tag('/travel/fares', '//meta[@property="og:title"]/@content'));
        $this->change(['kind' => 'publish', 'page' => $this->fares]);
        self::assertSame('New', $this->tag('/travel/fares', '//meta[@property="og:title"]/@content'));
    }

    #[Test]
    public function linked_data_names_site_page_and_way_and_no_way_on_the_start_page(): void
    {
        $graph = fn (string $address): array => json_decode((string) $this->tag($address, '//script[@type="application/ld+json"]'), true)['@graph'];
        self::assertSame(['Organization', 'WebSite', 'WebPage', 'BreadcrumbList'], array_column($graph('/travel/fares'), '@type'));
        self::assertSame(['Home', 'Travel', 'Fares'], array_column($graph('/travel/fares')[3]['itemListElement'], 'name'));
        self::assertSame(['Organization', 'WebSite', 'WebPage'], array_column($graph('/'), '@type'));
        self::assertSame('Fares · Ferries', $graph('/travel/fares')[2]['name']);
    }

    #[Test]
    public function a_download_says_in_its_headers_what_a_page_says_in_its_head(): void
    {
        $file = $this->uploaded('table.png');
        $download = $this->live('Table');
        $this->change(['kind' => 'change-kind', 'page' => $download, 'to' => 'download', 'leadsTo' => ['file' => $file['id']]]);
        $this->visit('/table')->assertOk()->assertHeader('Link', '<http://ferries.test/table>; rel="canonical"')->assertHeaderMissing('X-Robots-Tag');
        $this->change(['kind' => 'set-search', 'page' => $download, 'index' => false, 'canonical' => 'none']);
        $this->visit('/table')->assertHeader('X-Robots-Tag', 'noindex')->assertHeaderMissing('Link');
    }

    /** @return array{id: string, address: string} */
    private function uploaded(string $name): array
    {
        return $this->actingAs($this->manager)
            ->post(
                'http://editor.test/api/v1/sites/ferries/files',
                ['picture' => UploadedFile::fake()->image($name, 1200, 630)],
                ['Accept' => 'application/json'],
            )
            ->assertCreated()
            ->json();
    }

    private function canonical(string $address): ?string
    {
        return $this->tag($address, '//link[@rel="canonical"]/@href');
    }

    private function tag(string $address, string $path): ?string
    {
        $document = new \DOMDocument();
        @$document->loadHTML('<?xml encoding="UTF-8">'.$this->visit($address)->assertOk()->getContent());
        $found = (new \DOMXPath($document))->query($path);
        self::assertLessThanOrEqual(1, $found === false ? 9 : $found->length, "$path stands there once at most.");

        return $found === false || $found->length === 0 ? null : $found->item(0)?->nodeValue;
    }
}

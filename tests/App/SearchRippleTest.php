<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** What a change does to titles, index and canonical addresses: told before, kept in the history, undone exactly. */
final class SearchRippleTest extends AppTestCase
{
    private string $travel;

    private string $fares;

    private string $cars;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travel = $this->live('Travel');
        $this->fares = $this->live('Fares', $this->travel);
        $this->cars = $this->live('Cars', $this->fares);
    }

    #[Test]
    public function a_branch_pattern_tells_whose_titles_change_and_its_history_keeps_them(): void
    {
        $change = ['kind' => 'set-branch-search', 'page' => $this->travel, 'titlePattern' => '{name} – {parent}'];
        $this->api('POST', 'ripple', ['changes' => [$change]])
            ->assertOk()
            ->assertJsonPath('matters', true)
            ->assertJsonPath('account.counts.titles', 3)
            ->assertJsonPath('account.counts.sitemap', 0)
            ->assertJsonPath('account.lists.titles.1', [
                'page' => $this->fares,
                'name' => 'Fares',
                'from' => 'Fares · Ferries',
                'to' => 'Fares – Travel',
                'note' => '',
            ]);
        $rows = $this->api('POST', 'ripple/titles?text=cars', ['changes' => [$change]])->assertOk();
        self::assertSame([$this->cars], array_column($rows->json('rows'), 'page'));
        $entry = $this->change($change);
        self::assertSame('Changed title pattern in the branch of *Travel*', $entry->sentence);
        $this->api('GET', "history/{$entry->ulid}/rows/titles")
            ->assertOk()
            ->assertJsonPath('total', 3);
        $this->visit('/travel/fares')->assertSee('<title>Fares – Travel</title>', false);
        $this->api('POST', "history/{$entry->ulid}/undo")->assertCreated();
        $this->visit('/travel/fares')->assertSee('<title>Fares · Ferries</title>', false);
    }

    #[Test]
    public function leaving_the_index_is_told_of_every_page_that_inherits_it(): void
    {
        $change = ['kind' => 'set-branch-search', 'page' => $this->fares, 'index' => false];
        $ripple = $this->api('POST', 'ripple', ['changes' => [$change]])
            ->assertJsonPath('account.counts.indexing', 2)
            ->assertJsonPath('account.counts.sitemap', 2);
        self::assertSame(
            ['search engines are asked not to list it', 'search engines are asked not to list it'],
            array_column($ripple->json('account.lists.indexing'), 'note'),
        );
        $entry = $this->change($change);
        self::assertSame(
            [true, false, false],
            array_map(fn (string $page): bool => $this->row($page)->indexed, [$this->travel, $this->fares, $this->cars]),
        );
        $this->change(['kind' => 'move', 'page' => $this->cars, 'place' => ['last' => $this->travel]]);
        self::assertTrue($this->row($this->cars)->indexed, 'Where it went nobody says no.');
        $this->api('POST', "history/{$entry->ulid}/undo")->assertCreated();
        self::assertTrue($this->row($this->fares)->indexed);
    }

    #[Test]
    public function what_the_whole_site_says_is_undone_exactly_unless_it_was_changed_again(): void
    {
        $before = $this->site->refresh()->search;
        $first = $this->change(['kind' => 'set-site-search', 'titlePattern' => '{name}', 'inSitemap' => false]);
        self::assertFalse($this->row($this->cars)->in_sitemap);
        $other = $this->change(['kind' => 'set-robots', 'robots' => "User-agent: *\nDisallow: /x"]);
        $second = $this->change(['kind' => 'set-site-search', 'titlePattern' => '{heading}']);
        $this->api('POST', "history/{$first->ulid}/ripple")
            ->assertOk()
            ->assertJsonPath('changesNothing', true)
            ->assertJsonPath('account.notes.0.kind', 'search-stays');
        $this->api('POST', "history/{$second->ulid}/undo")->assertCreated();
        $this->api('POST', "history/{$first->ulid}/undo")->assertCreated();
        $this->api('POST', "history/{$other->ulid}/undo")->assertCreated();
        self::assertSame(json_decode($before, true), json_decode($this->site->refresh()->search, true));
        self::assertTrue($this->row($this->cars)->in_sitemap);
    }

    #[Test]
    public function a_page_that_others_name_as_canonical_tells_of_them_when_it_moves_or_goes(): void
    {
        $prices = $this->live('Prices');
        $this->change(['kind' => 'set-search', 'page' => $prices, 'canonical' => $this->cars]);
        $moved = $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-slug', 'page' => $this->travel, 'slug' => 'trips']]])->assertOk();
        $moved->assertJsonPath('account.counts.canonicals', 1)->assertJsonPath('account.lists.canonicals.0', [
            'page' => $prices,
            'name' => 'Prices',
            'from' => '/travel/fares/cars',
            'to' => '/trips/fares/cars',
            'note' => '',
        ]);
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'take-offline', 'page' => $this->cars]]])
            ->assertJsonPath('account.lists.canonicals.0.to', 'none')
            ->assertJsonPath('account.lists.canonicals.0.note', 'names no address that counts');
    }

    #[Test]
    public function canonical_addresses_that_were_written_out_go_along_when_the_site_moves(): void
    {
        $other = $this->live('Other');
        $this->change(
            ['kind' => 'set-search', 'page' => $this->cars, 'canonical' => 'http://ferries.test/old'],
            ['kind' => 'set-search', 'page' => $other, 'canonical' => 'https://elsewhere.example/'],
        );
        self::assertSame(0, Artisan::call('heronstem:origins', ['origin' => ['ferries=https://www.ferries.example']]));
        $canonicals = DB::table('pages')
            ->whereNotNull('search')
            ->pluck('search', 'ulid')
            ->map(static fn (string $search): string => json_decode($search, true)['canonical']);
        self::assertSame('https://www.ferries.example/old', $canonicals[$this->cars]);
        self::assertSame('https://elsewhere.example/', $canonicals[$other]);
    }

    #[Test]
    public function a_copy_takes_what_its_original_tells_search_engines_along(): void
    {
        $this->change(['kind' => 'set-search', 'page' => $this->cars, 'index' => false, 'targetPhrase' => 'ferry with a car']);
        $copy = '01J0000000000000000000C0PY';
        $this->change(['kind' => 'duplicate', 'page' => $this->cars, 'copy' => $copy]);
        self::assertSame(json_decode((string) $this->row($this->cars)->search, true), json_decode((string) $this->row($copy)->search, true));
        self::assertFalse($this->row($copy)->indexed);
    }
}

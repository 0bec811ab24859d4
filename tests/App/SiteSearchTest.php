<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use App\Desk\CountHits;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** The site's own search: what visitors find, what never appears, and what a manager sees of it. */
final class SiteSearchTest extends AppTestCase
{
    private string $fares;

    private string $timetable;

    protected function setUp(): void
    {
        parent::setUp();
        $this->fares = $this->live('Fares');
        $this->timetable = $this->live('Summer timetable');
        $this->write($this->fares, 'A car to Vanesay costs 31. Dogs sail free with their people.', 'Bicycles');
        $this->write($this->timetable, 'Three sailings a day, a fourth for bicycles in July. Ask for fares on board.');
        $this->audit();
    }

    #[Test]
    public function names_go_before_headings_before_words_and_endings_do_not_matter(): void
    {
        self::assertSame(['Fares', 'Summer timetable'], $this->found('fare'));
        self::assertSame(['Fares', 'Summer timetable'], $this->found('BICYCLE'));
        self::assertSame(['Summer timetable'], $this->found('timetables summers'));
        self::assertSame(['Fares'], $this->found('bicycles -july'));
        self::assertSame([], $this->found('"free dogs"'));
        self::assertSame(['Fares'], $this->found('"dogs sail"'));
    }

    #[Test]
    public function what_was_found_is_marked_in_its_context_and_nothing_of_a_page_becomes_markup(): void
    {
        $page = $this->live('Notes');
        $this->write($page, 'Beware of <script>alert(1)</script> & "walruses" on deck.');
        $this->audit();
        $html = (string) $this->visit('/_search?q=walrus')->assertOk()->getContent();
        self::assertStringContainsString('&amp; &quot;<mark>walruses</mark>&quot; on deck', $html);
        self::assertStringNotContainsString('<script', $html);
        $this->visit('/_search?q=%3Cb%3Ewalrus')->assertDontSee('<b>walrus', false)->assertSee('&lt;b&gt;walrus', false);
    }

    #[Test]
    public function a_misspelt_word_finds_what_was_meant_and_some_words_are_better_than_none(): void
    {
        $this->visit('/_search?q=timetabel')->assertSee('No page has “timetabel”. Did you mean', false)->assertSee('>timetable</a>', false)->assertSee('Summer');
        $this->visit('/_search?q=summer+dogs')->assertSee('No page has all of “summer dogs”', false)->assertSee('Fares');
        $this->visit('/_search?q=zeppelin')->assertSee('No page has “zeppelin”. Try other or fewer words', false);
        $this->visit('/_search?q=the')->assertOk();
    }

    #[Test]
    public function marks_on_letters_may_be_left_out(): void
    {
        $this->live('Café Ørsay');
        $this->audit();
        self::assertSame(['Café Ørsay'], $this->found('cafe orsay'));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function keptOut(): iterable
    {
        yield 'a draft' => [['kind' => 'take-offline']];
        yield 'an unlisted page' => [['kind' => 'unlist-page']];
        yield 'one that is in the bin' => [['kind' => 'put-in-bin']];
        yield 'one that is kept out' => [['kind' => 'set-search', 'inSiteSearch' => false]];
        yield 'one of a branch that is' => [['kind' => 'set-branch-search', 'inSiteSearch' => false]];
    }

    /** @param  array<string, mixed>  $change */
    #[Test, DataProvider('keptOut')]
    public function what_visitors_are_not_meant_to_find_never_appears(array $change): void
    {
        $entry = $this->change([...$change, 'page' => $this->timetable]);
        // At once: nobody waits for whatever follows a change.
        self::assertSame(['Fares'], $this->found('bicycles'));
        $this->audit();
        self::assertSame(['Fares'], $this->found('bicycles'));
        $this->visit('/_search?q=timetabel')->assertDontSee('Did you mean');
        $this->api('POST', "history/{$entry->ulid}/undo")->assertSuccessful();
        $this->audit();
        self::assertSame(['Fares', 'Summer timetable'], $this->found('bicycles'));
    }

    #[Test]
    public function words_that_wait_to_be_published_are_not_found(): void
    {
        $this->write($this->fares, 'From May: hovercraft.', publish: false);
        $this->audit();
        self::assertSame([], $this->found('hovercraft'));
        self::assertSame(['Fares'], $this->found('dogs'));
        $this->api('POST', "pages/{$this->fares}/publish")->assertSuccessful();
        $this->audit();
        self::assertSame(['Fares'], $this->found('hovercraft'));
        self::assertSame([], $this->found('dogs'));
    }

    #[Test]
    public function the_description_for_the_search_is_shown_and_found(): void
    {
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'siteSearchDescription' => 'Prices for feet, wheels and hooves.']);
        $this->audit();
        $this->visit('/_search?q=hooves')->assertSee('Prices for feet, wheels and <mark>hooves</mark>.', false);
    }

    #[Test]
    public function a_manager_answers_what_was_searched_in_vain(): void
    {
        $this->visit('/_search?q=pet+passport');
        $this->visit('/_search?q=Pet++Passport');
        $this->visit('/_search?q=dogs');
        $this->visit('/_search?q=timetabel');
        $this->app->make(CountHits::class)->count();
        $this->api('GET', 'searches?inVain=1')
            ->assertOk()
            ->assertJsonPath('rows.0', ['words' => 'pet passport', 'outcome' => 'nothing', 'times' => 2, ...$this->dates('pet passport'), 'answer' => null])
            ->assertJsonPath('rows.1.outcome', 'near')
            ->assertJsonCount(2, 'rows');
        $this->api('GET', 'searches')->assertJsonCount(3, 'rows');
        $this->change(['kind' => 'answer-search', 'words' => 'Pet passport', 'page' => $this->fares, 'text' => 'None is needed.']);
        $this->visit('/_search?q=pet+passport')->assertSee('None is needed.')->assertSee('href="/fares"', false)->assertSee('besides');
        $this->api('GET', 'searches')->assertJsonPath('answers.0', [
            'words' => 'pet passport',
            'page' => $this->fares,
            'name' => 'Fares',
            'isSeen' => true,
            'text' => 'None is needed.',
        ]);
        $this->change(['kind' => 'take-offline', 'page' => $this->fares]);
        $this->visit('/_search?q=pet+passport')->assertSee('None is needed.')->assertDontSee('href="/fares"', false);
        $this->api('GET', 'searches')->assertJsonPath('answers.0.isSeen', false);
        $this->api('DELETE', 'searches', ['words' => 'pet passport'])->assertNoContent();
        $this->api('DELETE', 'searches', ['words' => 'pet passport'])->assertNotFound();
        $this->api('GET', 'searches?inVain=1')->assertJsonCount(1, 'rows');
    }

    #[Test]
    public function programs_and_turned_pages_are_not_counted_and_old_searches_go(): void
    {
        $this->call('GET', 'http://ferries.test/_search?q=dogs', server: ['REQUEST_URI' => '/_search?q=dogs', 'HTTP_USER_AGENT' => 'Examplebot/1.0 (crawler)']);
        $this->visit('/_search?q=dogs&page=2');
        $this->visit('/_search?q=cars');
        $this->app->make(CountHits::class)->count();
        self::assertSame(['cars'], array_column(DB::select('select words from searches'), 'words'));
        DB::update("update searches set last_at = now() - interval '3 years'");
        $this->app->make(CountHits::class)->prune();
        self::assertSame([], DB::select('select words from searches'));
    }

    /** @return iterable<string, array{string}> */
    public static function odd(): iterable
    {
        foreach (['', '?', '?q=', '?q[]=a', '?q=%00', '?q=%FF%FE', '?q=%27%22%5C', '?q=-x', '?q=or+or', '?q=%22', '?q=a&page=-1', '?q=a&page[]=2', '?q=a&page=99999999999999999999'] as $query) {
            yield "/_search$query" => ["/_search$query"];
        }
        yield 'very long' => ['/_search?q='.str_repeat('word+', 2000)];
        yield 'signs of a query' => ['/_search?q='.rawurlencode("a & b | !c <-> (d) :* ' \\ e:A")];
    }

    #[Test, DataProvider('odd')]
    public function whatever_is_asked_is_answered(string $asked): void
    {
        $this->visit($asked)->assertOk()->assertSee('Words to look for')->assertHeader('X-Robots-Tag', 'noindex');
    }

    #[Test]
    public function results_are_turned_and_every_page_offers_the_search(): void
    {
        for ($n = 1; $n <= 12; $n++) {
            $this->live("Walk $n");
        }
        $this->audit();
        $this->visit('/_search?q=walk')->assertSee('12 pages have')->assertSee('page=2', false)->assertSee('Page 1 of 2');
        $this->visit('/_search?q=walk&page=2')->assertSee('Page 2 of 2')->assertDontSee('page=3', false);
        $this->visit('/_search?q=walk&page=9')->assertOk()->assertSee('12 pages have');
        $this->visit('/fares')->assertSee('action="/_search"', false)->assertSee('"urlTemplate":"http://ferries.test/_search?q={search_term_string}"', false);
        $this->visit('/_search', 'POST')->assertStatus(405);
    }

    /** @return list<string> names of the pages found, in order */
    private function found(string $asked): array
    {
        $html = (string) $this->visit('/_search?q='.rawurlencode($asked))->assertOk()->getContent();
        preg_match_all('#<h2><a href="[^"]*">([^<]*)</a></h2>#', $html, $names);

        return str_contains($html, ' have “') || str_contains($html, '1 page has “') ? array_map(html_entity_decode(...), $names[1]) : [];
    }

    /** @return array{first: string, last: string} */
    private function dates(string $words): array
    {
        $row = (array) DB::selectOne("select to_json(first_at)#>>'{}' as first, to_json(last_at)#>>'{}' as last from searches where words = ?", [$words]);

        return ['first' => (string) $row['first'], 'last' => (string) $row['last']];
    }

    private function audit(): void
    {
        $this->app->make(AuditSite::class)->run($this->site->refresh());
    }

    private function write(string $page, string $text, ?string $heading = null, bool $publish = true): void
    {
        $blocks = $heading === null ? [] : [['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => $heading]]]];
        $this->saveContent($page, [...$blocks, ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]]]);
        if ($publish) {
            $this->api('POST', "pages/$page/publish");
        }
    }
}

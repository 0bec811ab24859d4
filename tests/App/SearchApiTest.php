<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Access\Role;
use Heronstem\Core\Tree\Page as TreePage;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\Test;

/** What search engines are told: of a page, in the grid, by patterns, robots.txt, sitemap and files. */
final class SearchApiTest extends AppTestCase
{
    private string $travel;

    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travel = $this->live('Travel');
        $this->fares = $this->live('Fares', $this->travel);
    }

    #[Test]
    public function a_page_is_shown_as_it_would_look_with_what_is_typed_and_where_each_setting_comes_from(): void
    {
        $this->change(['kind' => 'set-branch-search', 'page' => $this->travel, 'index' => false, 'priority' => 0.4]);
        $this->api('GET', "pages/{$this->fares}/search?searchTitle=What+it+costs&canonical=none&targetPhrase=ferry+fare")
            ->assertOk()
            ->assertJsonPath('title.text', 'What it costs')
            ->assertJsonPath('title.width', 114.5)
            ->assertJsonPath('canonical', null)
            ->assertJsonPath('robots', 'noindex')
            ->assertJsonPath('inherited.index.scope', 'branch')
            ->assertJsonPath('inherited.index.name', 'Travel')
            ->assertJsonPath('inherited.priority.value', 0.4)
            ->assertJsonPath('own.index', null);
        $checks = $this->api('GET', "pages/{$this->fares}/search?targetPhrase=ferry+fare")->json('checks');
        self::assertContains('phrase-title', array_column(array_filter($checks, static fn (array $check): bool => $check['says'] !== null), 'code'));
        $this->api('GET', "pages/{$this->fares}/search?canonical=nonsense")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'canonical');
        $this->api('GET', "pages/{$this->fares}/search?searchTitle=".str_repeat('x', 301))
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'searchTitle');
        $this->visit('/travel/fares')->assertSee('<meta name="robots" content="noindex">', false);
    }

    #[Test]
    public function a_canonical_that_leads_to_nothing_or_a_redirect_is_said_as_it_is_typed(): void
    {
        $this->redirect(['source' => '/old', 'leadsTo' => ['page' => $this->fares]]);
        foreach (['/nowhere' => 'canonical-broken', '/old' => 'canonical-redirect', '/travel/fares/' => 'canonical-spelling'] as $address => $code) {
            $checks = $this->api('GET', "pages/{$this->fares}/search?canonical=".urlencode("http://ferries.test$address"))
                ->assertOk()
                ->json('checks');
            $found = array_filter($checks, static fn (array $check): bool => $check['says'] !== null);
            self::assertContains($code, array_column($found, 'code'), $address);
        }
    }

    #[Test]
    public function what_is_kept_with_a_page_is_what_it_inherits(): void
    {
        $cars = $this->draft('Cars', $this->fares);
        $other = $this->live('Other');
        $steps = [
            ['kind' => 'set-branch-search', 'page' => $this->travel, 'index' => false],
            ['kind' => 'set-search', 'page' => $this->fares, 'index' => true],
            ['kind' => 'set-branch-search', 'page' => $this->fares, 'inSitemap' => false],
            ['kind' => 'set-site-search', 'inSitemap' => false],
            ['kind' => 'set-site-search', 'layout' => 'section', 'index' => false],
            ['kind' => 'describe', 'page' => $other, 'layout' => 'section'],
            ['kind' => 'move', 'page' => $this->fares, 'place' => ['last' => $other]],
            ['kind' => 'set-search', 'page' => $cars, 'canonical' => $other],
            ['kind' => 'set-branch-search', 'page' => $this->travel, 'index' => null],
        ];
        foreach ($steps as $step) {
            $this->change($step);
            $known = iterator_to_array((new \App\Store\StoredPages(DB::connection(), $this->site->refresh()))->whole(), false);
            $known = array_column($known, null, 'id');
            foreach ($known as $page) {
                $effective = $this->site->searchSettings()->for($page, self::above($page, $known));
                $row = $this->row($page->id);
                self::assertSame(
                    [$effective->index(), $effective->inSitemap() && $page->search->canonical->toText() === 'itself'],
                    [$row->indexed, $row->in_sitemap],
                    "{$page->name} after ".json_encode($step),
                );
            }
        }
    }

    #[Test]
    public function the_grid_lists_measures_and_marks_doubles(): void
    {
        $this->change(['kind' => 'describe', 'page' => $this->fares, 'searchTitle' => 'One title']);
        Artisan::call('heronstem:audit', ['--whole' => true]);
        $this->api('GET', 'search-grid')
            ->assertOk()
            ->assertJsonPath('total', 2)
            ->assertJsonPath('rows.1.searchTitle', 'One title')
            ->assertJsonPath('rows.1.titleWidth', 74.5);
        $this->api('GET', 'search-grid?text=fares&limit=1&offset=0')->assertJsonPath('total', 1)->assertJsonPath('rows.0.id', $this->fares);
        $this->api('GET', 'search-grid?check=title-too-short')->assertJsonPath('total', 2);
        $this->api('GET', 'search-grid?offset=-3&limit=5000')->assertOk();
        $measured = $this->api('POST', 'search-grid/measured', [
            'rows' => [
                ['page' => $this->travel, 'title' => 'ONE  title', 'description' => ''],
                ['page' => 'new', 'title' => str_repeat('A wide title ', 9), 'description' => 'Same.'],
                ['page' => 'other', 'title' => '', 'description' => 'same.'],
            ],
        ])->assertOk();
        $measured->assertJsonPath('0.titleDouble', true)->assertJsonPath('1.descriptionDouble', true)->assertJsonPath('1.titleDouble', false);
        self::assertStringEndsWith('…', $measured->json('1.titleShown'));
        $this->api('POST', 'search-grid/measured', ['rows' => [['page' => 'x', 'title' => ['a'], 'description' => '']]])->assertStatus(422);
    }

    #[Test]
    public function a_pattern_is_tried_on_the_pages_that_inherit_it(): void
    {
        $this->api('POST', 'patterns/tried', ['titlePattern' => '{name} – {parent} · {site}'])
            ->assertOk()
            ->assertJsonPath('pages', 2)
            ->assertJsonPath('changed', 1)
            ->assertJsonPath('sample.0.after', 'Fares – Travel · Ferries');
        $this->api('POST', 'patterns/tried', ['branch' => $this->fares, 'titlePattern' => '{nmae}'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'titlePattern')
            ->assertJsonPath('errors.0.suggestion', '{name}');
        $this->change(['kind' => 'set-branch-search', 'page' => $this->travel, 'titlePattern' => '{name}!']);
        $scopes = (array) $this->api('GET', 'patterns')->assertJsonPath('0.scope', 'site')->json();
        $travel = array_column($scopes, null, 'name')['Travel'];
        self::assertSame(['branch', '{name}!'], [$travel['scope'], $travel['settings']['titlePattern']]);
        $this->visit('/travel/fares')->assertSee('<title>Fares!</title>', false);
    }

    #[Test]
    public function robots_and_sitemap_tell_what_they_hold_and_where_they_contradict_each_other(): void
    {
        $this->change(['kind' => 'set-robots', 'robots' => "User-agent: *\nDisallow: /travel/f"]);
        $this->visit('/robots.txt')->assertOk()->assertSee('Disallow: /travel/f')->assertSee('Sitemap: http://ferries.test/sitemap.xml');
        $this->change(['kind' => 'unlist-page', 'page' => $this->travel]);
        $this->api('GET', 'crawling')
            ->assertOk()
            ->assertJsonPath('sitemap.entries', 1)
            ->assertJsonPath('sitemap.leftOut.0.reason', 'unlisted')
            ->assertJsonPath('contradictions', ['/travel/fares']);
        $this->change(['kind' => 'set-access', 'page' => $this->travel, 'access' => ['to' => 'some', 'signedIn' => true]]);
        $this->api('GET', 'crawling')
            ->assertJsonPath('sitemap.entries', 0)
            ->assertJsonPath('sitemap.leftOut.0.reason', 'closed')
            ->assertJsonPath('sitemap.leftOut.0.pages', 2);
        $this->change(['kind' => 'set-access', 'page' => $this->travel, 'access' => null]);
        $this->api('POST', 'crawling/tried', ['lines' => "User-agent: a\nDisallow: /x", 'agent' => 'a/1', 'address' => 'http://ferries.test/x/y'])
            ->assertJsonPath('isAllowed', false)
            ->assertJsonPath('line', 2)
            ->assertJsonPath('group', 'a');
    }

    #[Test]
    public function the_sitemap_says_priority_and_frequency_and_holds_to_its_schema(): void
    {
        $this->change(
            ['kind' => 'set-branch-search', 'page' => $this->travel, 'priority' => 0.4, 'changeFrequency' => 'weekly'],
            ['kind' => 'set-search', 'page' => $this->fares, 'priority' => 1],
        );
        $xml = $this->visit('/sitemap.xml')->streamedContent();
        self::assertStringContainsString('<loc>http://ferries.test/travel/fares</loc>', $xml);
        self::assertStringContainsString('<changefreq>weekly</changefreq><priority>1.0</priority>', $xml);
        $document = new \DOMDocument();
        $document->loadXML($xml);
        self::assertTrue($document->schemaValidate(__DIR__.'/sitemap.xsd'));
    }

    #[Test]
    public function the_sitemap_names_pictures_that_visitors_see_on_a_page(): void
    {
        Storage::fake('local');
        $upload = fn (string $name): array => $this->post(
            'http://editor.test/api/v1/sites/ferries/files',
            ['picture' => UploadedFile::fake()->image($name, 60, 40)],
            ['Accept' => 'application/json'],
        )->json();
        $this->actingAs($this->manager);
        [$boat, $draft] = [$upload('a boat.png'), $upload('draft.png')];
        $picture = static fn (array $file): array => ['type' => 'picture', 'attrs' => ['file' => $file['id'], 'alt' => 'A boat']];
        $this->saveContent($this->fares, [$picture($boat), $picture($boat)]);
        $this->api('POST', "pages/{$this->fares}/publish")->assertSuccessful();
        $this->saveContent($this->fares, [$picture($draft)]);
        $xml = $this->visit('/sitemap.xml')->streamedContent();
        self::assertSame(1, substr_count($xml, '<image:image>'));
        self::assertStringContainsString("<image:image><image:loc>http://ferries.test{$boat['address']}</image:loc></image:image>", $xml);
        $document = new \DOMDocument();
        $document->loadXML($xml);
        self::assertTrue($document->schemaValidate(__DIR__.'/sitemap.xsd'));
    }

    #[Test]
    public function the_table_comes_back_as_it_went_and_every_row_is_diagnosed(): void
    {
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'index' => false, 'canonical' => $this->travel, 'priority' => 0.7]);
        $csv = $this->api('GET', 'search-export')->assertOk()->streamedContent();
        $this->api('POST', 'search-import', ['text' => $csv])
            ->assertOk()
            ->assertJsonPath('same', 2)
            ->assertJsonPath('changes', []);
        $read = $this->api('POST', 'search-import', [
            'text' => "address;title;index;priority\n/travel;New title;no;\n/nowhere;x;;\n/travel/fares;;perhaps;\n/TRAVEL/fares;;;2\nhttp://ferries.test/travel;again;;\n",
        ])->assertOk();
        $read->assertJsonPath('pages', 1)->assertJsonPath('refused', 4);
        self::assertSame([null, 'address', 'index', 'priority', 'row'], array_column($read->json('rows'), 'field'));
        $this->api('POST', 'batches', ['changes' => $read->json('changes'), 'defaults' => true])->assertCreated();
        self::assertSame('New title', $this->row($this->travel)->search_title);
        self::assertFalse($this->row($this->travel)->indexed);
        $this->api('GET', 'search-export', as: $this->person('Rook', Role::READER))->assertOk();
    }

    #[Test]
    public function shutting_out_everybody_has_to_be_said_twice_and_writers_cannot(): void
    {
        $all = ['kind' => 'set-robots', 'robots' => "User-agent: *\nDisallow: /"];
        $this->api('POST', 'ripple', ['changes' => [$all]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.robots');
        $writer = $this->person('Wren', Role::WRITER);
        foreach (
            [
                $all + ['shutsOut' => true],
                ['kind' => 'set-site-search', 'titlePattern' => '{name}'],
                ['kind' => 'set-search', 'page' => $this->fares, 'index' => false],
                ['kind' => 'set-search', 'page' => $this->draft('Draft'), 'index' => false],
            ] as $change
        ) {
            $this->api('POST', 'batches', ['changes' => [$change], 'defaults' => true], as: $writer)->assertForbidden();
        }
        $this->api('POST', 'batches', ['changes' => [$all + ['shutsOut' => true]], 'defaults' => true])->assertCreated();
    }

    #[Test]
    public function links_are_told_by_clicks_and_weight_and_followed_where_they_are_written_as_addresses(): void
    {
        $this->change(['kind' => 'set-start-page', 'page' => $this->travel]);
        $this->redirect(['source' => '/old', 'leadsTo' => ['page' => $this->fares]]);
        $link = static fn (string $href): array => ['type' => 'text', 'text' => $href, 'marks' => [['type' => 'link', 'attrs' => ['href' => $href]]]];
        $document = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [$link('/old'), $link('/nowhere'), $link('/fares')]]]];
        $this->api('PUT', "pages/{$this->fares}/content", ['document' => $document], headers: ['If-Match' => '0'])->assertOk();
        $alone = $this->live('Alone', $this->draft('Hidden'));
        dispatch_sync(new \App\Jobs\RefreshReach($this->site->id));
        $read = $this->api('GET', 'links')->assertOk();
        self::assertSame([[0, 1], [1, 1], [null, 1]], array_map(array_values(...), $read->json('depths')));
        self::assertSame([$alone], array_column($read->json('orphans'), 'page'));
        self::assertSame(['/fares' => 'page', '/nowhere' => 'nothing', '/old' => 'redirect'], array_column($read->json('raw'), 'fate', 'href'));
        self::assertEqualsWithDelta(1000, array_sum(array_column($read->json('heaviest'), 'weight')), 0.1);
    }

    /**
     * @param  array<string, TreePage>  $known
     * @return list<TreePage>
     */
    private static function above(TreePage $page, array $known): array
    {
        $line = [];
        while ($page->parent !== null) {
            $line[] = $page = $known[$page->parent];
        }

        return $line;
    }
}

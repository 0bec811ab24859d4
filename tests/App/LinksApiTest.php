<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use App\Jobs\RefreshReach;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Links as they are drawn and mended, and faults of menus and redirects among the findings. */
final class LinksApiTest extends AppTestCase
{
    private string $home;

    private string $travel;

    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        $this->home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $this->home]);
        $this->travel = $this->live('Travel');
        $this->fares = $this->live('Fares', $this->travel);
    }

    #[Test]
    public function the_drawing_holds_every_live_page_with_the_way_to_it(): void
    {
        $this->draft('Draft');
        $this->link($this->travel, ['page' => $this->home]);
        $this->reach();
        $graph = $this->api('GET', 'link-graph')->assertOk()->assertJsonPath('total', 3)->json();
        $names = array_column($graph['pages'], 'name');
        self::assertEqualsCanonicalizing(['Home', 'Travel', 'Fares'], $names);
        $at = array_flip($names);
        self::assertSame([0.0, 0.0], [(float) $graph['pages'][$at['Home']]['x'], (float) $graph['pages'][$at['Home']]['y']]);
        self::assertContains([$at['Home'], $at['Travel']], $graph['ways']);
        self::assertCount(2, $graph['ways']);
        self::assertContains([$at['Travel'], $at['Home']], $graph['links']);
        self::assertSame('Travel', $graph['pages'][$at['Fares']]['section']);
    }

    #[Test]
    public function a_site_without_a_start_page_is_drawn_as_pages_that_nothing_leads_to(): void
    {
        DB::table('sites')
            ->where('id', $this->site->id)
            ->update(['start_page_id' => null]);
        $this->site->refresh();
        $this->reach();
        $graph = $this->api('GET', 'link-graph')->assertOk()->json();
        self::assertSame([[], [null]], [$graph['ways'], array_values(array_unique(array_column($graph['pages'], 'clicks')))]);
    }

    #[Test]
    public function links_written_as_addresses_become_links_to_pages_in_one_change_with_a_version_to_go_back_to(): void
    {
        $this->change(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices']);
        $this->redirect(['source' => '/how-much/:what', 'scope' => 'pattern', 'leadsTo' => ['page' => $this->fares]]);
        $this->redirect(['source' => '/for-now', 'answer' => '302', 'leadsTo' => ['page' => $this->fares]]);
        $this->link(
            $this->home,
            ['href' => '/travel/fares'],
            ['href' => 'http://ferries.test/how-much/cars'],
            ['href' => '/for-now'],
            ['href' => '/nowhere'],
            ['href' => 'https://e.example/'],
        );
        $raw = $this->api('GET', 'links')->assertOk()->json('raw');
        self::assertSame(
            ['/for-now' => false, '/nowhere' => false, '/travel/fares' => true, 'http://ferries.test/how-much/cars' => true],
            array_column($raw, 'mends', 'href'),
        );
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'mend-links']]])
            ->assertOk()
            ->assertJsonPath('account.counts.rawLinks', 2)
            ->assertJsonPath('account.lists.rawLinks.0.note', 'becomes a link to the page');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'mend-links']]])->assertCreated();
        self::assertSame(['/for-now', '/nowhere'], array_column($this->api('GET', 'links')->json('raw'), 'href'));
        $html = (string) $this->visit('/')->getContent();
        self::assertStringContainsString('<a href="/travel/prices">here here </a>', $html, 'Both lead to one page now, beside each other.');
        $versions = $this->api('GET', "pages/{$this->home}/versions")->json();
        self::assertSame('Links written as addresses now lead to their pages', $versions[0]['note']);
        $this->api('POST', 'batches', ['changes' => [['kind' => 'mend-links']]])->assertStatus(422);
        $this->change(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'costs']);
        self::assertStringContainsString('href="/travel/costs"', (string) $this->visit('/')->getContent());
    }

    #[Test]
    public function only_links_of_the_pages_that_are_named_are_mended_and_never_by_a_writer(): void
    {
        $this->link($this->home, ['href' => '/travel/fares']);
        $this->link($this->travel, ['href' => '/travel/fares']);
        $writer = $this->person('Tam', \Heronstem\Core\Access\Role::WRITER);
        $this->api('POST', 'batches', ['changes' => [['kind' => 'mend-links']]], $writer)->assertForbidden();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'mend-links', 'in' => [$this->travel]]]])->assertCreated();
        self::assertSame([$this->home], array_column($this->api('GET', 'links')->json('raw'), 'page'));
        $this->api('POST', 'batches', ['changes' => [['kind' => 'mend-links', 'in' => ['01J0000000000000000000000Z']]]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.in.0');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'mend-links', 'in' => []]]])->assertStatus(422);
    }

    #[Test]
    public function faults_of_menus_and_redirects_stand_among_the_findings_on_screen_in_files_and_for_scripts(): void
    {
        $menu = (string) Str::ulid();
        $this->change(['kind' => 'make-menu', 'menu' => $menu, 'name' => 'Footer'], ['kind' => 'place-menu', 'menu' => $menu, 'place' => 'footer']);
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $menu,
            'entries' => [['kind' => 'address', 'label' => 'Old fares', 'address' => '/gone-fares']],
        ]);
        $this->redirect(['source' => '/old', 'leadsTo' => ['address' => '/nothing-there']]);
        $this->reach();
        $groups = array_column($this->api('GET', 'findings')->assertOk()->json(), null, 'check');
        self::assertSame([['id' => $menu, 'name' => 'Footer', 'says' => '“Old fares” leads nowhere.']], $groups['menu-leads-nowhere']['faults']);
        self::assertSame(
            ['redirects', 1, 'error'],
            [$groups['redirect-dead-target']['of'], $groups['redirect-dead-target']['pages'], $groups['redirect-dead-target']['severity']],
        );
        self::assertSame('/old', $groups['redirect-dead-target']['faults'][0]['name']);
        self::assertArrayNotHasKey('menu-leads-nowhere', array_column($this->api('GET', "findings?branch={$this->travel}")->json(), null, 'check'));
        $csv = $this->api('GET', 'findings-export')->streamedContent();
        self::assertStringContainsString('redirect-dead-target,error,,/old,/old,/old leads to an address where nothing is.,', $csv);
        self::assertSame(1, Artisan::call('heronstem:audit', ['--site' => 'ferries', '--json' => true, '--fail-on' => 'error']));
        $found = array_column(json_decode(Artisan::output(), true), null, 'check');
        self::assertSame(
            [
                'site' => 'ferries',
                'check' => 'menu-leads-nowhere',
                'severity' => 'error',
                'page' => null,
                'name' => 'Footer',
                'address' => '',
                'says' => '“Old fares” leads nowhere.',
                'since' => null,
            ],
            $found['menu-leads-nowhere'],
        );
    }

    /** @param  array<string, string>  ...$links  attributes of each */
    private function link(string $page, array ...$links): void
    {
        $content = array_map(
            static fn (array $attrs): array => ['type' => 'text', 'text' => 'here ', 'marks' => [['type' => 'link', 'attrs' => $attrs]]],
            array_values($links),
        );
        $this->saveContent($page, [['type' => 'paragraph', 'content' => $content]]);
        $this->api('POST', "pages/$page/publish")->assertSuccessful();
    }

    private function reach(): void
    {
        $this->app->call([new RefreshReach($this->site->id), 'workOut']);
        $this->app->make(AuditSite::class)->run($this->site->refresh());
    }
}

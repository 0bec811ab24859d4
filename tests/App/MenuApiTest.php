<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\CachedMenus;
use App\Models\Visitor;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Menu\Viewer;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Menus, picks and start pages: through the API, and as visitors get them. */
final class MenuApiTest extends AppTestCase
{
    private string $home;

    private string $travel;

    private string $times;

    protected function setUp(): void
    {
        parent::setUp();
        $this->home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $this->home]);
        $this->travel = $this->live('Travel');
        $this->times = $this->live('Times', $this->travel);
    }

    #[Test]
    public function a_new_site_has_a_main_menu_filled_from_the_tree(): void
    {
        $list = $this->api('GET', 'menus')
            ->assertOk()
            ->assertJsonPath('startPages.visitors.name', 'Home')
            ->assertJsonPath('startPages.signedIn', null)
            ->assertJsonPath('places.0.key', 'main')
            ->json();
        self::assertSame(
            [['Main', 'main', 1]],
            array_map(static fn (array $menu): array => [$menu['name'], $menu['place'], $menu['entries']], $list['menus']),
        );
        $this->api('GET', "menus/{$list['menus'][0]['id']}")
            ->assertOk()
            ->assertJsonPath('entries.0.kind', 'branch')
            ->assertJsonPath('shown.0.label', 'Travel')
            ->assertJsonPath('shown.0.under.0.label', 'Times')
            ->assertJsonPath('findings', []);
        $this->visit('/')->assertOk()->assertSee('<nav class="bar"', false)->assertSee('href="/travel/times"', false);
        $this->api('GET', 'menus/'.Str::ulid())->assertNotFound();
    }

    #[Test]
    public function a_menu_is_made_placed_arranged_seen_and_undone(): void
    {
        $menu = $this->menu('Footer', 'footer');
        $entries = [
            [
                'kind' => 'heading',
                'label' => 'Sailing',
                'entries' => [
                    ['kind' => 'page', 'page' => $this->times, 'label' => 'When we sail', 'title' => 'All year'],
                    ['kind' => 'url', 'url' => 'https://tides.example/', 'label' => 'Tides', 'newWindow' => true],
                ],
            ],
            ['kind' => 'page', 'page' => $this->times, 'audience' => 'roles:crew', 'label' => 'For the crew'],
        ];
        $version = $this->api('GET', "menus/$menu")->json('version');
        $this->api('POST', "menus/$menu/arranged", ['entries' => $entries])
            ->assertOk()
            ->assertJsonPath('shown.1.hidden', 'audience')
            ->assertJsonPath('version', $version);
        $this->api('POST', "menus/$menu/arranged", ['entries' => $entries, 'who' => 'roles:crew'])->assertJsonPath('shown.1.hidden', null);
        $batch = ['changes' => [['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => $entries, 'basedOn' => $version]]];
        $this->api('POST', 'ripple', $batch)
            ->assertOk()
            ->assertJsonPath('matters', true)
            ->assertJsonPath('account.counts.menu', 4)
            ->assertJsonPath('account.lists.menu.0.note', 'appears in Footer');
        $entry = $this->api('POST', 'batches', $batch)
            ->assertCreated()
            ->assertJsonPath('sentence', 'Changed the menu *Footer*, 4 new entries')
            ->json('id');
        $this->visit('/')
            ->assertSee('<span class="entry-head">Sailing</span>', false)
            ->assertSee('title="All year"', false)
            ->assertSee('target="_blank" rel="noopener"', false)
            ->assertDontSee('For the crew');

        $this->api('POST', 'batches', $batch)->assertStatus(422)->assertJsonPath('errors.0.field', 'changes.0.basedOn');
        $this->api('POST', 'ripple', [
            'changes' => [['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [['kind' => 'url', 'url' => 'ftp://x', 'label' => 'x']]]],
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.entries.0.url');
        $this->api('POST', "history/$entry/undo")->assertCreated();
        $this->visit('/')->assertDontSee('Sailing');
        $this->api('GET', "menus/$menu")->assertJsonPath('version', $version);
    }

    #[Test]
    public function a_menu_is_drawn_for_another_day(): void
    {
        $season = $this->draft('Season');
        $menu = $this->menu('Footer', 'footer');
        $from = now()->addMonth();
        $this->change(
            ['kind' => 'schedule', 'page' => $season, 'from' => $from->toIso8601ZuluString()],
            ['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [['kind' => 'page', 'page' => $season]]],
        );
        $this->api('GET', "menus/$menu")
            ->assertJsonPath('shown.0.hidden', 'not-yet')
            ->assertJsonPath('shown.0.when', $from->utc()->format('Y-m-d\TH:i:s\Z'));
        $this->api('GET', "menus/$menu?at=".urlencode($from->addDay()->format('Y-m-d\TH:i')))->assertJsonPath('shown.0.hidden', null);
        $this->api('GET', "menus/$menu?at=soon")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'at');
        $this->api('GET', "menus/$menu?who=friends")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'audience');
    }

    #[Test]
    public function a_page_knows_its_menus_and_is_put_in_taken_out_and_picked(): void
    {
        $picks = $this->menu('Cards', 'front', 'picks');
        $main = $this->api('GET', "pages/$this->times/menus")
            ->assertOk()
            ->assertJsonPath('1.branch', 'shows')
            ->assertJsonPath('0.entries', 0)
            ->json('1.menu');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'remove-from-menu', 'page' => $this->times, 'menu' => $main]]])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Removed *Times* from *Main*');
        $this->api('GET', "pages/$this->times/menus")->assertJsonPath('1.branch', 'leaves-out');
        $this->visit('/')->assertDontSee('href="/travel/times"', false);
        $this->visit('/travel/times')->assertOk();
        $this->change(['kind' => 'add-to-menu', 'page' => $this->times, 'menu' => $main]);
        $this->visit('/')->assertSee('href="/travel/times"', false);

        $this->api('POST', 'batches', ['changes' => [['kind' => 'add-to-menu', 'pages' => [$this->times, $this->travel], 'menu' => $picks]]])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Added 2 pages to *Cards*');
        $this->api('PATCH', "pages/$this->times", ['summary' => 'Boats all year'], headers: ['If-Match' => '*'])->assertOk();
        $this->api('POST', "pages/$this->times/publish")->assertOk();
        $this->home(layout: 'home')->assertSeeInOrder(['class="cards"', 'Times', 'Boats all year', 'Travel'], false);
        $this->api('PATCH', "pages/$this->times", ['summary' => 'Boats in winter too'], headers: ['If-Match' => '*'])->assertOk();
        $this->api('POST', "pages/$this->times/publish")->assertOk();
        $this->visit('/')->assertSee('Boats in winter too');
        $this->change(['kind' => 'take-offline', 'page' => $this->times]);
        $this->visit('/')->assertDontSee('Boats in winter too');
        $this->api('GET', "menus/$picks")
            ->assertJsonPath('shown.0.hidden', 'offline')
            ->assertJsonPath('findings.0.kind', 'page-hidden');
    }

    #[Test]
    public function a_retired_page_is_asked_about_and_leaves_no_hole(): void
    {
        $menu = $this->menu('Footer', 'footer');
        $this->change(['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [['kind' => 'page', 'page' => $this->times]]]);
        $before = $this->snapshot();
        $bin = ['changes' => [['kind' => 'put-in-bin', 'page' => $this->times]], 'defaults' => true];
        $questions = $this->api('POST', 'ripple', $bin)->assertOk()->json('questions');
        self::assertContains('menu-entries', array_column($questions, 'kind'));
        $entry = $this->api('POST', 'batches', [...$bin, 'decisions' => [['kind' => 'menu-entries', 'page' => $this->times, 'answer' => 'remove']]])
            ->assertCreated()
            ->json('id');
        $this->api('GET', "menus/$menu")->assertJsonPath('entries', []);
        $this->assertInvariants();
        $this->api('POST', "history/$entry/undo")->assertCreated();
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function a_menu_goes_out_as_json_and_opml_and_comes_in_again(): void
    {
        $menu = $this->menu('Footer', 'footer');
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $menu,
            'entries' => [['kind' => 'page', 'page' => $this->travel, 'entries' => [['kind' => 'page', 'page' => $this->times, 'label' => 'Boats']]]],
        ]);
        $json = $this->api('GET', "menus/$menu/file")
            ->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="footer.json"')
            ->getContent();
        self::assertSame('/travel/times', json_decode((string) $json, true)['entries'][0]['entries'][0]['at']);
        $opml = $this->api('GET', "menus/$menu/file?format=opml")
            ->assertOk()
            ->getContent();
        self::assertStringContainsString('<outline text="Boats" type="link" url="http://ferries.test/travel/times"/>', (string) $opml);
        foreach ([$json, $opml, "Travel\n  Boats /travel/times"] as $file) {
            $this->api('POST', "menus/$menu/read", ['text' => $file])
                ->assertOk()
                ->assertJsonPath('entries.0.page', $this->travel)
                ->assertJsonPath('entries.0.entries.0.page', $this->times)
                ->assertJsonPath('entries.0.entries.0.label', 'Boats');
        }
        $this->api('POST', "menus/$menu/read", ['text' => '{"format": "other"}'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'file');
        $this->api('POST', "menus/$menu/read", ['text' => ''])->assertStatus(422);
    }

    #[Test]
    public function writers_and_readers_look_at_menus_and_do_not_change_them(): void
    {
        $main = $this->api('GET', 'menus')->json('menus.0.id');
        $this->api('GET', "menus/$main", as: $this->person('Ruaridh', Role::READER))->assertOk();
        foreach ([Role::READER, Role::WRITER] as $n => $role) {
            $this->api(
                'POST',
                'batches',
                ['changes' => [['kind' => 'rename-menu', 'menu' => $main, 'name' => 'Top']]],
                $this->person("P$n", $role),
            )->assertForbidden();
        }
        $this->api('POST', 'batches', ['changes' => [['kind' => 'rename-menu', 'menu' => $main, 'name' => 'Top']]])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Renamed *Main* to *Top*');
    }

    #[Test]
    public function somebody_signed_in_gets_their_entries_and_their_start_page(): void
    {
        $main = $this->api('GET', 'menus')->json('menus.0.id');
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $main,
            'entries' => [
                ['kind' => 'page', 'page' => $this->travel],
                ['kind' => 'page', 'page' => $this->times, 'label' => 'Islanders only', 'audience' => 'roles:islander'],
            ],
        ]);
        $this->visit('/')->assertDontSee('Islanders only')->assertDontSee('/_account/sign-in', false);
        Visitor::query()->create([
            'confirmed_at' => now(),
            'admitted_at' => now(),
            'site_id' => $this->site->id,
            'email' => 'eilidh@skerrivane.example',
            'name' => 'Eilidh',
            'password' => 'gannet',
            'roles' => ['islander'],
        ]);
        $entry = $this->api('POST', 'batches', ['changes' => [['kind' => 'set-start-page', 'page' => $this->travel, 'for' => 'signed-in']]])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Made *Travel* the start page of signed-in people')
            ->json('id');
        $this->visit('/')->assertSee('/_account/sign-in', false)->assertSee('<h1>Home</h1>', false)->assertHeader('Vary', 'Cookie');

        $this->signIn('eilidh@skerrivane.example', 'wrong')->assertStatus(422)->assertSee('do not go together');
        $cookie = $this->signIn('Eilidh@Skerrivane.example', 'gannet')->assertStatus(303)->headers->getCookies()[0];
        self::assertTrue($cookie->isHttpOnly());
        $in = fn (string $path) => $this->call(
            'GET',
            "http://ferries.test$path",
            cookies: ['heronstem_visitor' => $cookie->getValue()],
            server: ['REQUEST_URI' => $path],
        );
        $in('/')
            ->assertSee('Islanders only')
            ->assertSee('<h1>Travel</h1>', false)
            ->assertSee('Signed in as <a href="/_account">Eilidh</a>', false)
            ->assertHeader('Cache-Control', 'max-age=0, must-revalidate, private');
        $in('/travel')->assertOk();
        $this->visit('/')->assertDontSee('Islanders only');

        $this->api('POST', 'batches', ['changes' => [['kind' => 'put-in-bin', 'page' => $this->travel]], 'defaults' => true])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.page');
        $this->api('POST', "history/$entry/undo")->assertCreated();
        $in('/')->assertSee('<h1>Home</h1>', false);
        Visitor::query()
            ->where('email', 'eilidh@skerrivane.example')
            ->firstOrFail()
            ->update(['password' => 'another']);
        $in('/')->assertDontSee('Islanders only');
        $this->call(
            'POST',
            'http://ferries.test/_account/sign-in',
            ['mail' => 'x', 'password' => 'y'],
            server: ['REQUEST_URI' => '/_account/sign-in', 'HTTP_ORIGIN' => 'https://elsewhere.example'],
        )->assertForbidden();
        $this->call('GET', 'http://ferries.test/_account/sign-in', server: ['REQUEST_URI' => '/_account/sign-in'])
            ->assertOk()
            ->assertSee('name="password"', false);
    }

    #[Test]
    public function only_menus_that_can_show_a_change_are_worked_out_anew(): void
    {
        $menu = $this->menu('Footer', 'footer');
        $help = $this->live('Help');
        $deep = $this->live('Deep', $this->times);
        $this->change(['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [['kind' => 'page', 'page' => $help]]]);
        $menus = fn (): int => $this->counted(fn () => $this->app->make(CachedMenus::class)->shown($this->site->refresh(), Viewer::visitor()));
        $menus();
        self::assertSame(0, $menus(), 'Nothing changed, nothing is read.');
        $this->change(['kind' => 'rename', 'page' => $deep, 'name' => 'Deeper']);
        self::assertSame(0, $menus(), 'A page that no menu shows.');
        $this->change(['kind' => 'rename', 'page' => $this->times, 'name' => 'Timetables']);
        self::assertSame(1, $menus(), 'The main menu.');
        $this->change(['kind' => 'rename', 'page' => $help, 'name' => 'Questions']);
        self::assertSame(2, $menus(), 'Both menus show it.');
        $this->visit('/')->assertSee('Questions')->assertSee('Timetables');
        $this->change(['kind' => 'set-slug', 'page' => $this->travel, 'slug' => 'voyage']);
        $this->visit('/')->assertSee('href="/voyage/times"', false);
    }

    #[Test]
    public function visitors_get_breadcrumbs_as_data_and_a_map_of_what_is_live_and_listed(): void
    {
        $draft = $this->draft('Plans');
        $hidden = $this->live('Hidden </script>', $this->travel);
        $data = $this->crumbs('/travel/times');
        self::assertSame('BreadcrumbList', $data['@type']);
        self::assertSame(
            [[1, 'Home', 'http://ferries.test/'], [2, 'Travel', 'http://ferries.test/travel'], [3, 'Times', 'http://ferries.test/travel/times']],
            array_map(static fn (array $item): array => [$item['position'], $item['name'], $item['item']], $data['itemListElement']),
        );
        self::assertSame('Hidden </script>', $this->crumbs('/travel/hidden-script')['itemListElement'][2]['name']);
        $this->change(['kind' => 'unlist-page', 'page' => $hidden]);

        $map = $this->live('Map');
        $this->api('PATCH', "pages/$map", ['layout' => 'site-map'], headers: ['If-Match' => '*'])
            ->assertOk()
            ->assertJsonPath('layout', 'site-map');
        $this->api('PATCH', "pages/$map", ['layout' => 'circus'], headers: ['If-Match' => '*'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'layout');
        $html = (string) preg_replace('#.*<div class="site-map">|</div>.*#s', '', (string) $this->visit('/map')->assertOk()->getContent());
        self::assertSame(
            '<ul><li><a>Home</a></li><li><a>Travel</a><ul><li><a>Times</a></li></ul></li><li><a>Map</a></li></ul>',
            preg_replace(['/>\s+/', '/\s+</', '/<a [^>]*>/'], ['>', '<', '<a>'], $html),
        );
        self::assertStringNotContainsString('Plans', $html, $draft);
    }

    #[Test]
    public function a_kept_menu_changes_at_the_very_moment_of_a_schedule(): void
    {
        $season = $this->draft('Season');
        $menu = $this->menu('Footer', 'footer');
        $now = now()->startOfSecond();
        Carbon::setTestNow($now);
        $this->change(
            ['kind' => 'schedule', 'page' => $season, 'from' => $now->copy()->addSeconds(20)->toIso8601ZuluString()],
            [
                'kind' => 'arrange-menu',
                'menu' => $menu,
                'entries' => [
                    ['kind' => 'page', 'page' => $season],
                    [
                        'kind' => 'page',
                        'page' => $this->times,
                        'label' => 'For a while',
                        'until' => $now->copy()->addSeconds(40)->toIso8601ZuluString(),
                    ],
                ],
            ],
        );
        $seen = fn (): array => array_map(
            static fn ($entry): string => $entry->label,
            $this->app->make(CachedMenus::class)->shown($this->site->refresh(), Viewer::visitor())['footer'],
        );
        self::assertSame(['For a while'], $seen());
        Carbon::setTestNow($now->copy()->addSeconds(19));
        self::assertSame(['For a while'], $seen());
        Carbon::setTestNow($now->copy()->addSeconds(21));
        self::assertSame(['Season', 'For a while'], $seen());
        Carbon::setTestNow($now->copy()->addSeconds(41));
        self::assertSame(['Season'], $seen());
        Carbon::setTestNow();
    }

    #[Test]
    public function the_history_lists_whole_what_a_large_arrangement_did_and_is_narrowed_to_menus(): void
    {
        $menu = $this->menu('Footer', 'footer');
        $entries = array_map(
            static fn (int $n): array => [
                'kind' => 'heading',
                'label' => "Column $n",
                'entries' => [['kind' => 'url', 'url' => "https://x.example/$n", 'label' => "Link $n"]],
            ],
            range(1, 40),
        );
        $entry = $this->api('POST', 'batches', ['changes' => [['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => $entries]]])
            ->assertCreated()
            ->assertJsonPath('counts.menu', 80)
            ->json('id');
        $this->api('GET', "history/$entry")->assertJsonCount(50, 'ripple.lists.menu');
        $this->api('GET', "history/$entry/rows/menu?text=Link")
            ->assertJsonPath('total', 40)
            ->assertJsonPath('rows.0.note', 'appears in Footer, under Column 1');
        $this->api('GET', 'history?kind=arrange-menu')->assertJsonCount(1)->assertJsonPath('0.id', $entry);
        $this->api('POST', "history/$entry/ripple")
            ->assertOk()
            ->assertJsonPath('account.counts.menu', 80);
    }

    #[Test]
    public function guessing_a_visitors_password_is_slowed_down(): void
    {
        config(['heronstem.sign_in_attempts' => 2]);
        Visitor::query()->create([
            'confirmed_at' => now(),
            'admitted_at' => now(),
            'site_id' => $this->site->id,
            'email' => 'eilidh@skerrivane.example',
            'name' => 'Eilidh',
            'password' => 'gannet',
            'roles' => [],
        ]);
        $this->signIn('eilidh@skerrivane.example', 'one')->assertStatus(422);
        $this->signIn('eilidh@skerrivane.example', 'two')->assertStatus(422);
        $this->signIn('eilidh@skerrivane.example', 'gannet')->assertStatus(429)->assertSee('Too many wrong attempts');
        $this->signIn('nobody@skerrivane.example', 'one')->assertStatus(422);
        $forged = $this->call('GET', 'http://ferries.test/', cookies: ['heronstem_visitor' => 'made up'], server: ['REQUEST_URI' => '/']);
        $forged->assertOk()->assertDontSee('Signed in as');
        $this->call('POST', 'http://ferries.test/_account/sign-out', server: ['REQUEST_URI' => '/_account/sign-out'])->assertStatus(303);
        $this->call('GET', 'http://ferries.test/_account/else', server: ['REQUEST_URI' => '/_account/else'])->assertNotFound();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'pin', 'page' => $this->times, 'address' => '/_account/sign-in']]])
            ->assertStatus(409)
            ->assertJsonPath('ripple.conflicts.0.held.kind', 'reserved');
    }

    #[Test]
    public function a_site_is_named_by_its_managers(): void
    {
        $this->api('PATCH', 'names', ['name' => ' The  Ferries ', 'shortName' => 'Boats'])
            ->assertOk()
            ->assertJsonPath('name', 'The Ferries');
        $this->visit('/')->assertSee('<span class="brand-name long">The Ferries</span><span class="brand-name short">Boats</span>', false);
        $this->api('GET', 'names')->assertOk()->assertJsonPath('summary', 'Boats to five islands.');
        $this->api('PATCH', 'names', ['name' => ''])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.reason', 'A site needs a name.');
        $this->api('PATCH', 'names', ['name' => 'x'], $this->person('Tam', Role::WRITER))->assertForbidden();
    }

    #[Test]
    public function pages_that_no_menu_leads_to_are_named(): void
    {
        $main = $this->api('GET', 'menus')->json('menus.0.id');
        $help = $this->live('Help');
        $lost = $this->live('Lost property', $help);
        $this->api('GET', 'menus-unreached')->assertOk()->assertJsonPath('total', 0);
        $this->change(['kind' => 'remove-from-menu', 'page' => $help, 'menu' => $main]);
        $unreached = $this->api('GET', 'menus-unreached')->assertJsonPath('total', 2)->json('pages');
        self::assertEqualsCanonicalizing([$help, $lost], array_column($unreached, 'id'));
    }

    /** @return array<string, mixed> */
    private function crumbs(string $path): array
    {
        preg_match('#<script type="application/ld\+json">(.*?)</script>#s', (string) $this->visit($path)->assertOk()->getContent(), $found);

        $graph = json_decode($found[1] ?? '', true, flags: JSON_THROW_ON_ERROR)['@graph'];

        return array_column($graph, null, '@type')['BreadcrumbList'];
    }

    #[Test]
    public function what_a_menu_shows_below_a_page_is_read_level_by_level_and_not_page_by_page(): void
    {
        $help = $this->live('Help');
        $move = ['changes' => [['kind' => 'move', 'page' => $this->travel, 'place' => ['last' => $help]]]];
        $asked = function () use ($move): int {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->api('POST', 'ripple', $move)->assertOk();
            DB::disableQueryLog();

            return count(DB::getQueryLog());
        };
        $asked();
        $few = $asked();
        foreach (range(1, 6) as $n) {
            $this->live("Island $n", $this->live("Route $n", $this->travel));
        }
        self::assertLessThanOrEqual($few + 1, $asked());
    }

    /** @return int how many menus were read from pages */
    private function counted(\Closure $work): int
    {
        $reads = 0;
        $isOn = true;
        DB::listen(static function ($query) use (&$reads, &$isOn): void {
            $reads +=
                $isOn &&
                (str_starts_with($query->sql, 'with recursive p as') ||
                    str_starts_with(
                        $query->sql,
                        'select p.ulid, parent.ulid as parent, p.position, p.name, p.address, p.kind, p.leads_to, t.address',
                    ))
                    ? 1
                    : 0;
        });
        $work();
        $isOn = false;

        return $reads;
    }

    private function menu(string $name, string $place, string $of = 'menu'): string
    {
        $id = (string) Str::ulid();
        $this->change(
            ['kind' => 'make-menu', 'menu' => $id, 'name' => $name, 'of' => $of],
            ['kind' => 'place-menu', 'menu' => $id, 'place' => $place],
        );

        return $id;
    }

    private function home(string $layout): \Illuminate\Testing\TestResponse
    {
        $this->row($this->home)->update(['layout' => $layout]);

        return $this->visit('/')->assertOk();
    }

    private function signIn(string $mail, string $password): \Illuminate\Testing\TestResponse
    {
        return $this->call(
            'POST',
            'http://ferries.test/_account/sign-in',
            ['mail' => $mail, 'password' => $password],
            server: ['REQUEST_URI' => '/_account/sign-in'],
        );
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** The audit over the stored site: what is found, that looking again finds what looking at all finds, and what is said of it. */
final class AuditTest extends AppTestCase
{
    private string $home;

    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        $this->home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $this->home]);
        $this->fares = $this->live('Fares');
    }

    #[Test]
    public function looking_again_after_any_change_finds_what_looking_at_all_finds(): void
    {
        $cars = $this->live('Cars', $this->fares);
        $boats = $this->live('Boats');
        $links = [
            'type' => 'doc',
            'content' => [
                [
                    'type' => 'paragraph',
                    'content' => [
                        ['type' => 'text', 'text' => 'To the cars, ', 'marks' => [['type' => 'link', 'attrs' => ['page' => $cars]]]],
                        ['type' => 'text', 'text' => 'the boats', 'marks' => [['type' => 'link', 'attrs' => ['href' => '/boats']]]],
                        ['type' => 'text', 'text' => ' and nowhere', 'marks' => [['type' => 'link', 'attrs' => ['href' => '/nowhere']]]],
                    ],
                ],
            ],
        ];
        $this->api('PUT', "pages/{$this->home}/content", ['document' => $links], headers: ['If-Match' => '0'])->assertOk();
        $steps = [
            fn () => $this->api('POST', "pages/{$this->home}/publish")->assertOk(),
            fn () => $this->change(
                ['kind' => 'describe', 'page' => $cars, 'searchTitle' => 'One title'],
                ['kind' => 'describe', 'page' => $boats, 'searchTitle' => 'one  TITLE'],
            ),
            fn () => $this->change(['kind' => 'set-search', 'page' => $boats, 'canonical' => $cars]),
            fn () => $this->change(['kind' => 'take-offline', 'page' => $cars]),
            fn () => $this->change(
                ['kind' => 'rename', 'page' => $boats, 'name' => 'Ships'],
                ['kind' => 'set-slug', 'page' => $boats, 'slug' => 'ships'],
            ),
            fn () => $this->change(['kind' => 'set-branch-search', 'page' => $this->fares, 'index' => false, 'titlePattern' => '{name} in {parent}']),
            fn () => $this->change(['kind' => 'go-live', 'page' => $cars]),
            fn () => $this->change(['kind' => 'set-robots', 'robots' => "User-agent: *\nDisallow: /fares"]),
            fn () => $this->change(['kind' => 'set-site-search', 'titlePattern' => '{site}']),
            fn () => $this->change(['kind' => 'unlist-page', 'page' => $boats]),
            fn () => $this->change(['kind' => 'put-in-bin', 'page' => $cars]),
            fn () => $this->change(['kind' => 'delete-for-good', 'page' => $cars]),
        ];
        foreach ($steps as $n => $step) {
            $step();
            $this->look();
            $again = $this->findings();
            $this->app->make(AuditSite::class)->expectAll($this->site->refresh());
            $this->look();
            self::assertSame($this->findings(), $again, "After step $n.");
            self::assertSame(0, DB::table('audit_due')->count());
        }
        self::assertContains(['/', 'link-broken'], $this->findings());
        self::assertContains(['/fares', 'robots-contradiction'], $this->findings());
    }

    #[Test]
    public function only_what_depends_on_an_edit_is_looked_at_again(): void
    {
        for ($n = 0; $n < 12; $n++) {
            $this->live("Page number $n");
        }
        $this->look();
        $this->change(['kind' => 'describe', 'page' => $this->fares, 'searchTitle' => 'A title that nobody else has at all']);
        self::assertSame(2, $this->app->make(AuditSite::class)->run($this->site), 'Its facts are read, and its checks asked; nothing else.');
    }

    #[Test]
    public function a_branch_that_moves_is_put_down_for_the_audit_once(): void
    {
        $cars = $this->live('Cars', $this->fares);
        $vans = $this->live('Vans', $cars);
        $this->look();
        $this->change(['kind' => 'move', 'page' => $this->fares, 'place' => ['last' => $this->home]]);
        $due = DB::table('audit_due')
            ->join('pages', 'pages.id', '=', 'audit_due.page_id')
            ->where('facts', true)
            // What else asks for them, since they are reached otherwise, is told apart by belonging to no entry.
            ->whereNotNull('entry_id')
            ->whereIn('ulid', [$this->fares, $cars, $vans])
            ->pluck('ulid');
        self::assertEqualsCanonicalizing([$this->fares, $cars, $vans], $due->all());
    }

    #[Test]
    public function what_shared_something_with_pages_that_go_for_good_is_looked_at_once(): void
    {
        $twins = array_map(fn (int $n): string => $this->live("Twin $n"), range(1, 4));
        $this->change(
            ...array_map(static fn (string $page): array => ['kind' => 'describe', 'page' => $page, 'searchTitle' => 'The same title'], $twins),
        );
        $this->change(...array_map(static fn (string $page): array => ['kind' => 'put-in-bin', 'page' => $page], array_slice($twins, 2)));
        $this->look();
        // As if all four still said it: what is in the bin is asked about by what is known of it.
        foreach ($twins as $page) {
            DB::table('audit_keys')->insert([
                'site_id' => $this->site->id,
                'page_id' => DB::table('pages')->where('ulid', $page)->value('id'),
                'key' => 'tried:same',
                'holds' => true,
            ]);
        }
        $this->change(...array_map(static fn (string $page): array => ['kind' => 'delete-for-good', 'page' => $page], array_slice($twins, 2)));
        $due = DB::table('audit_due')
            ->join('pages', 'pages.id', '=', 'audit_due.page_id')
            ->whereNull('entry_id')
            ->where('facts', false)
            ->pluck('ulid');
        self::assertEqualsCanonicalizing(array_slice($twins, 0, 2), $due->all());
    }

    #[Test]
    public function an_audit_that_was_stopped_half_way_goes_on_with_what_is_left(): void
    {
        $this->look();
        $whole = $this->findings();
        $this->app->make(AuditSite::class)->expectAll($this->site->refresh());
        DB::delete('delete from findings');
        // As if it had been killed after reading the facts of one page.
        DB::update('update audit_due set facts = false where page_id = (select min(page_id) from audit_due)');
        $this->look();
        self::assertSame($whole, $this->findings());
    }

    #[Test]
    public function the_site_is_told_how_it_stands_and_what_is_most_worth_doing(): void
    {
        $this->change(['kind' => 'describe', 'page' => $this->fares, 'searchTitle' => str_repeat('A title far too wide ', 5)]);
        $this->look();
        $overview = $this->api('GET', 'audit')->assertOk()->assertJsonPath('pages', 2)->json();
        self::assertGreaterThan(0, $overview['score']);
        self::assertCount(1, $overview['days']);
        self::assertContains('title-too-wide', array_column($overview['first'], 'check'));
        self::assertContains('title-too-wide', array_column($overview['worse'], 'check'), 'It came with a change of this week.');
        $this->api('GET', 'findings/title-too-wide')
            ->assertOk()
            ->assertJsonPath('0.page', $this->fares)
            ->assertJsonPath('0.says', 'The title is 808 px wide; results show 580 px.');
        $this->api('GET', 'findings/no-such')->assertNotFound();
        $csv = $this->api('GET', 'findings-export')->assertOk()->streamedContent();
        self::assertStringContainsString("title-too-wide,warning,{$this->fares},Fares,/fares,", $csv);
        $json = $this->api('GET', 'findings-export?format=json')->json();
        self::assertSame(['check', 'severity', 'page', 'name', 'address', 'says', 'since'], array_keys($json[0]));
    }

    #[Test]
    public function a_finding_is_dismissed_with_a_reason_until_a_day_by_who_manages(): void
    {
        $this->look();
        $thin = fn (): array => array_column($this->api('GET', 'findings/thin-content')->json(), 'page');
        self::assertContains($this->fares, $thin());
        $given = ['page' => $this->fares, 'check' => 'thin-content', 'reason' => 'A table follows.', 'until' => now()->addMonth()->format('Y-m-d')];
        $this->api('POST', 'dismissals', $given, as: $this->person('Wren', Role::WRITER))->assertForbidden();
        $this->api('POST', 'dismissals', ['reason' => ''] + $given)
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'reason');
        $this->api('POST', 'dismissals', ['until' => '2020-01-01'] + $given)
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'until');
        $this->api('POST', 'dismissals', ['check' => 'no-such'] + $given)->assertStatus(422);
        $this->api('POST', 'dismissals', $given)->assertNoContent();
        self::assertNotContains($this->fares, $thin());
        $this->api('GET', 'dismissals')->assertJsonPath('0.reason', 'A table follows.')->assertJsonPath('0.person', $this->manager->name);
        DB::update('update dismissals set until = current_date - 1');
        self::assertContains($this->fares, $thin(), 'Its day has come.');
        $this->api('DELETE', "dismissals/{$this->fares}/thin-content")->assertNoContent();
        $this->api('DELETE', "dismissals/{$this->fares}/thin-content")->assertNotFound();
    }

    #[Test]
    public function scripts_list_findings_and_fail_on_what_is_severe(): void
    {
        self::assertSame(0, Artisan::call('heronstem:audit', ['--site' => 'ferries', '--whole' => true, '--fail-on' => 'error']));
        $this->change(['kind' => 'set-search', 'page' => $this->fares, 'canonical' => 'http://ferries.test/nowhere']);
        self::assertSame(1, Artisan::call('heronstem:audit', ['--site' => 'ferries', '--json' => true, '--fail-on' => 'error']));
        self::assertContains('canonical-broken', array_column(json_decode(Artisan::output(), true), 'check'));
        self::assertSame(2, Artisan::call('heronstem:audit', ['--fail-on' => 'everything']));
        self::assertSame(1, Artisan::call('heronstem:audit', ['--site' => 'nobody']));
    }

    /** Reach first, as the jobs do it. */
    private function look(): void
    {
        dispatch_sync(new \App\Jobs\RefreshReach($this->site->id));
        $this->app->make(AuditSite::class)->run($this->site->refresh());
    }

    /** @return list<array{string, string}> address and check */
    private function findings(): array
    {
        return array_map(
            static fn (object $row): array => [$row->address, $row->check_code],
            DB::select('select p.address, f.check_code from findings f join pages p on p.id = f.page_id order by 1, 2'),
        );
    }
}

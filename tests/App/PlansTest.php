<?php

declare(strict_types=1);

namespace Tests\App;

use App\Http\Middleware\InPlan;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\Plan;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;

/** Changes prepared beside the living site: seen as they would be, rebased, compared, switched on and taken back. */
final class PlansTest extends AppTestCase
{
    private const NEW = '01JZZZZZZZZZZZZZZZZZZZZZZ1';

    private string $travel;

    private string $fares;

    private string $plan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travel = $this->live('Travel');
        $this->fares = $this->live('Fares');
        $this->plan = $this->api('POST', 'plans', ['name' => 'Next year', 'description' => 'Everything under Travel'])->assertCreated()->json('id');
    }

    #[Test]
    public function a_name_that_somebody_else_takes_in_the_same_moment_is_refused_in_words(): void
    {
        // Stands for the other request: it is done after the name was looked for, and before the row is written.
        DB::unprepared(
            <<<'SQL'
            create function be_faster() returns trigger language plpgsql as $$ begin
                if pg_trigger_depth() = 1 then
                    insert into plans (ulid, site_id, name) values ('01HZZZZZZZZZZZZZZZZZZZZZZZ', new.site_id, new.name);
                end if;
                return new;
            end $$;
            create trigger be_faster before insert on plans for each row execute function be_faster();
            SQL
            ,
        );
        $this->api('POST', 'plans', ['name' => 'The year after'])
            ->assertStatus(409)
            ->assertJsonPath('title', 'Taken in the same moment');
    }

    #[Test]
    public function what_is_prepared_is_seen_in_the_plan_and_nowhere_else(): void
    {
        $before = $this->snapshot();
        $this->step(['kind' => 'move', 'page' => $this->fares, 'place' => ['last' => $this->travel]]);
        $this->step(['kind' => 'make', 'page' => self::NEW, 'name' => 'Night boat', 'place' => ['last' => $this->travel]], ['kind' => 'go-live', 'page' => self::NEW]);

        self::assertEquals($before, $this->snapshot());
        self::assertSame('/travel/fares', $this->planned('GET', "pages/{$this->fares}")->assertOk()->json('address'));
        self::assertSame('Night boat', $this->planned('GET', 'pages/'.self::NEW)->assertOk()->json('name'));
        self::assertSame('/fares', $this->api('GET', "pages/{$this->fares}")->json('address'));
        $this->api('GET', 'pages/'.self::NEW)->assertNotFound();
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function a_plan_switched_on_is_one_change_and_is_taken_back_whole(): void
    {
        $before = $this->snapshot();
        $this->step(['kind' => 'move', 'page' => $this->fares, 'place' => ['last' => $this->travel]]);
        $this->step(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices', 'slug' => 'prices']);
        $this->step(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices']);
        $review = $this->api('GET', "plans/{$this->plan}")->assertOk()->json();
        self::assertSame([3, true, []], [count($review['steps']), $review['ripple']['canBeApplied'], $review['contradictions']]);

        $entry = $this->api('POST', "plans/{$this->plan}/switched", ['digest' => $review['ripple']['digest']])->assertCreated()->json();

        $this->visit('/fares')->assertRedirect('/travel/prices');
        // Where it would have been in between never was.
        $this->visit('/travel/fares')->assertNotFound();
        self::assertSame('Plan: Next year', $entry['note']);
        $this->assertInvariants();
        $this->api('POST', "history/{$entry['id']}/undo")->assertCreated();
        self::assertEquals($before, $this->snapshot());
        $this->api('POST', "plans/{$this->plan}/switched")->assertUnprocessable();
    }

    #[Test]
    public function texts_and_content_typed_in_a_plan_become_steps(): void
    {
        $this->planned('PATCH', "pages/{$this->fares}", ['summary' => 'From May on'], ['If-Match' => '*'])->assertOk()->assertJsonPath('summary', 'From May on');
        $document = ['version' => 1, 'type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Twelve crowns']]]]];
        $this->planned('PUT', "pages/{$this->fares}/content", ['document' => $document], ['If-Match' => '"0"'])->assertOk();
        $this->step(['kind' => 'make', 'page' => self::NEW, 'name' => 'Night boat', 'place' => ['last' => null]], ['kind' => 'go-live', 'page' => self::NEW]);
        $this->planned('PUT', 'pages/'.self::NEW.'/content', ['document' => $document], ['If-Match' => '"0"'])->assertOk();

        $this->visit('/fares')->assertDontSee('Twelve crowns');
        $this->api('POST', "plans/{$this->plan}/switched")->assertCreated();
        $this->visit('/fares')->assertSee('Twelve crowns');
        $this->visit('/night-boat')->assertSee('Twelve crowns');
        self::assertSame('From May on', Page::query()->where('ulid', $this->fares)->value('summary'));
        $this->assertInvariants();
    }

    #[Test]
    public function a_menu_arranged_in_a_plan_is_seen_in_it_and_applied_with_it(): void
    {
        $menu = (string) DB::table('menus')->where('site_id', $this->site->id)->value('ulid');
        $labels = fn (array $given): array => array_column($given['entries'], 'label');
        $entries = [
            ['kind' => 'heading', 'label' => 'Before you sail', 'entries' => [['kind' => 'page', 'page' => $this->fares, 'label' => 'What it costs']]],
            ['kind' => 'url', 'url' => 'https://a.example/', 'label' => 'Elsewhere'],
        ];
        $stored = $this->api('GET', "menus/$menu")->assertOk()->json();
        $this->step(['kind' => 'arrange-menu', 'menu' => $menu, 'basedOn' => $stored['version'], 'entries' => $entries]);
        $this->step(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);

        self::assertSame(['Before you sail', 'Elsewhere'], $labels($this->planned('GET', "menus/$menu")->assertOk()->json()));
        self::assertSame($labels($stored), $labels($this->api('GET', "menus/$menu")->json()));
        $review = $this->api('GET', "plans/{$this->plan}")->assertOk()->json();
        self::assertSame([null, null], array_column($review['steps'], 'refused'));
        self::assertStringContainsString('Changed the menu', $review['steps'][0]['sentence']);
        $this->api('POST', "plans/{$this->plan}/switched")->assertCreated();

        $now = $this->api('GET', "menus/$menu")->json();
        self::assertSame(['Before you sail', 'Elsewhere'], $labels($now));
        self::assertSame(['What it costs'], $labels($now['entries'][0]));
        $this->assertInvariants();
    }

    #[Test]
    public function a_page_is_closed_by_a_password_in_a_plan_and_the_password_is_kept_nowhere(): void
    {
        $access = ['to' => 'some', 'password' => 'over the sound'];
        $this->step(['kind' => 'set-access', 'pages' => [$this->fares, $this->travel], 'access' => $access]);
        $this->visit('/fares')->assertOk();

        $this->api('POST', "plans/{$this->plan}/switched")->assertCreated();

        $this->visit('/fares')->assertForbidden();
        $open = fn (string $password): TestResponse => $this->call('POST', 'http://ferries.test/_account/open', ['to' => '/fares', 'password' => $password], server: ['REQUEST_URI' => '/_account/open']);
        $open('under the sound')->assertSee('not the password');
        $open('over the sound')->assertRedirect('/fares');
        foreach (['history' => 'batch', 'plan_steps' => 'changes'] as $table => $column) {
            self::assertSame([], DB::table($table)->whereRaw("$column::text like '%over the sound%'")->pluck('id')->all());
        }
        $this->assertInvariants();
    }

    #[Test]
    public function a_menu_that_somebody_changes_meanwhile_is_not_overwritten_by_a_plan(): void
    {
        $menu = (string) DB::table('menus')->where('site_id', $this->site->id)->value('ulid');
        $version = $this->api('GET', "menus/$menu")->json('version');
        $this->step(['kind' => 'arrange-menu', 'menu' => $menu, 'basedOn' => $version, 'entries' => [['kind' => 'page', 'page' => $this->fares]]]);
        $this->change(['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [['kind' => 'page', 'page' => $this->travel]]]);

        $review = $this->api('GET', "plans/{$this->plan}")->assertOk()->json();

        self::assertStringContainsString('Somebody changed', $review['steps'][0]['refused']);
        $this->api('POST', "plans/{$this->plan}/switched")->assertUnprocessable();
    }

    #[Test]
    public function what_moved_under_a_plan_follows_what_contradicts_asks_and_what_is_gone_is_told(): void
    {
        $this->step(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);
        $gone = $this->live('Gone');
        $this->step(['kind' => 'rename', 'page' => $gone, 'name' => 'Still here']);
        $this->step(['kind' => 'move', 'page' => $this->travel, 'place' => ['last' => $this->fares]]);
        $this->change(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Tickets']);
        $this->change(['kind' => 'put-in-bin', 'page' => $gone]);
        $this->change(['kind' => 'describe', 'page' => $this->travel, 'summary' => 'Other things may change']);

        $review = $this->api('GET', "plans/{$this->plan}")->assertOk()->json();
        self::assertSame([['name', 'Fares', 'Tickets', 'Prices']], array_map(static fn (array $of): array => [$of['what'], $of['was'], $of['is'], $of['planned']], $review['contradictions']));
        self::assertSame([null, true, null], array_map(static fn (array $step): ?bool => $step['refused'] === null ? null : str_contains($step['refused'], 'bin'), $review['steps']));
        $this->api('POST', "plans/{$this->plan}/switched")->assertUnprocessable()->assertJsonPath('errors.0.field', 'plan');

        $this->api('DELETE', "plans/{$this->plan}/steps/{$review['steps'][1]['id']}")->assertOk();
        $this->api('POST', "plans/{$this->plan}/switched")->assertUnprocessable();
        $this->api('POST', "plans/{$this->plan}/accepted", ['page' => $this->fares])->assertOk()->assertJsonPath('contradictions', []);
        $this->api('POST', "plans/{$this->plan}/switched")->assertCreated();
        self::assertSame('Prices', Page::query()->where('ulid', $this->fares)->value('name'));
    }

    #[Test]
    public function parts_of_a_plan_go_first_and_the_rest_stays(): void
    {
        $this->step(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);
        $second = $this->step(['kind' => 'rename', 'page' => $this->travel, 'name' => 'Getting there']);
        $this->api('POST', "plans/{$this->plan}/switched", ['only' => [$second]])->assertCreated();

        self::assertSame(['Fares', 'Getting there'], [Page::query()->where('ulid', $this->fares)->value('name'), Page::query()->where('ulid', $this->travel)->value('name')]);
        $left = $this->api('GET', "plans/{$this->plan}")->json();
        self::assertSame(['open', 1, []], [$left['plan']['state'], count($left['steps']), $left['contradictions']]);
    }

    #[Test]
    public function a_plan_is_switched_on_at_its_moment_or_says_why_not(): void
    {
        $this->step(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);
        $this->api('PATCH', "plans/{$this->plan}", ['switchAt' => now()->subDay()->toIso8601String()])->assertUnprocessable();
        $this->api('PATCH', "plans/{$this->plan}", ['switchAt' => now()->addHour()->toIso8601String()])->assertOk();
        Artisan::call('heronstem:switch-plans');
        self::assertSame('Fares', Page::query()->where('ulid', $this->fares)->value('name'));
        $this->travelTo(now()->addHours(2));
        Artisan::call('heronstem:switch-plans');
        self::assertSame('Prices', Page::query()->where('ulid', $this->fares)->value('name'));
        self::assertSame('applied', Plan::query()->where('ulid', $this->plan)->value('state'));
    }

    #[Test]
    public function two_plans_are_compared_page_by_page(): void
    {
        $other = $this->api('POST', 'plans', ['name' => 'Another way'])->json('id');
        $this->step(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);
        $this->step(['kind' => 'rename', 'page' => $this->travel, 'name' => 'Getting there']);
        $this->api('POST', "plans/$other/steps", ['changes' => [['kind' => 'rename', 'page' => $this->fares, 'name' => 'Tickets']]])->assertCreated();

        $compared = $this->api('GET', "plans/{$this->plan}/against/$other")->assertOk()->json();
        self::assertSame([['Getting there'], [], [['name']]], [array_column($compared['onlyFirst'], 'name'), $compared['onlySecond'], array_column($compared['otherwise'], 'differs')]);
    }

    #[Test]
    public function a_secret_link_shows_the_site_as_it_would_be_to_whoever_has_it(): void
    {
        $this->step(['kind' => 'move', 'page' => $this->fares, 'place' => ['last' => $this->travel]]);
        $url = $this->api('POST', "plans/{$this->plan}/link")->assertCreated()->json('url');
        $path = (string) parse_url($url, PHP_URL_PATH);
        $token = basename($path);
        $begun = $this->visit($path)->assertRedirect('/');
        self::assertStringContainsString("heronstem_plan=$token", (string) $begun->headers->get('Set-Cookie'));

        $seen = $this->call('GET', 'http://ferries.test/travel/fares', cookies: ['heronstem_plan' => $token], server: ['REQUEST_URI' => '/travel/fares'])->assertOk();
        $seen->assertSee('Next year')->assertHeader('X-Robots-Tag', 'noindex, nofollow');
        $this->visit('/travel/fares')->assertNotFound();
        $this->visit('/_plan/'.str_repeat('0', 48))->assertNotFound();
        $this->api('DELETE', "plans/{$this->plan}/link")->assertNoContent();
        $this->visit($path)->assertNotFound();
    }

    #[Test]
    public function nobody_prepares_what_they_may_not_do_and_in_a_plan_nothing_reaches_the_living_site(): void
    {
        $writer = $this->person('Wyn', Role::WRITER);
        $entries = HistoryEntry::query()->count();
        $this->api('POST', "plans/{$this->plan}/steps", ['changes' => [['kind' => 'take-offline', 'page' => $this->fares]]], $writer)->assertForbidden();
        self::assertSame(0, Plan::query()->where('ulid', $this->plan)->firstOrFail()->steps()->count());
        $this->planned('POST', 'batches', ['changes' => [['kind' => 'take-offline', 'page' => $this->fares]]])->assertUnprocessable();
        $this->planned('POST', 'files')->assertUnprocessable();
        $this->visit('/fares')->assertOk();
        self::assertSame($entries, HistoryEntry::query()->count());
    }

    #[Test]
    #[TestWith(['name', ['name' => ' ']])]
    #[TestWith(['name', ['name' => ['x']]])]
    #[TestWith(['name', ['name' => 'Next year']])]
    #[TestWith(['description', ['name' => 'Other', 'description' => 7]])]
    public function a_plan_is_named_or_it_is_said_what_is_wrong(string $field, array $given): void
    {
        $this->api('POST', 'plans', $given)->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
    }

    private function step(array ...$changes): string
    {
        return $this->api('POST', "plans/{$this->plan}/steps", ['changes' => $changes])->assertCreated()->json('id');
    }

    /** @return TestResponse<\Illuminate\Http\Response> */
    private function planned(string $method, string $path, array $body = [], array $headers = []): TestResponse
    {
        return $this->api($method, $path, $body, null, [InPlan::HEADER => $this->plan, ...$headers]);
    }
}

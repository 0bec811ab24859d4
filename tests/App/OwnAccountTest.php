<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\AccountLinks;
use App\Http\Middleware\KnowWho;
use App\Jobs\SendLetter;
use App\Jobs\SendMailConfirmation;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Access\Totp;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;

/** One's own account, and a sign-in that can be trusted. */
final class OwnAccountTest extends AppTestCase
{
    private const PASSWORD = 'secret of Mairi';

    protected function setUp(): void
    {
        parent::setUp();
        Cache::flush();
        Queue::fake();
        config()->set('mail.default', 'smtp');
        // Codes change every half minute: not in the middle of a test.
        $this->travelTo(now()->startOfMinute()->addSeconds(5));
    }

    #[Test]
    public function the_second_step_is_asked_for_once_a_device_has_shown_a_code_and_no_code_is_good_twice(): void
    {
        $secret = (string) $this->account('POST', 'account/second-step')->assertOk()->json('secret');
        $this->signIn()->assertOk();
        $this->account('PUT', 'account/second-step', ['code' => '000000'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'code');
        $codes = $this->account('PUT', 'account/second-step', ['code' => $this->code($secret)])
            ->assertOk()
            ->json('codes');
        self::assertCount(10, array_unique($codes));
        self::assertStringNotContainsString($secret, (string) User::query()->findOrFail($this->manager->id)->second_step, 'It is kept encrypted.');

        $this->signIn()->assertStatus(422)->assertJsonPath('errors.0.field', 'code');
        $this->assertGuest('web');
        $this->signIn($this->code($secret))->assertStatus(422);
        $this->travel(30)->seconds();
        $code = $this->code($secret);
        $this->signIn($code)->assertOk();
        $this->signIn($code)->assertStatus(422);
        $this->signIn(strtoupper($codes[3]))->assertOk();
        $this->signIn($codes[3])->assertStatus(422);
        self::assertSame(9, $this->account('GET', 'account')->json('secondStep.codesLeft'));
        $this->postJson('/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => 'wrong', 'code' => $codes[4]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'password');

        $this->account('DELETE', 'account/second-step')->assertNoContent();
        $this->signIn()->assertOk();
    }

    #[Test]
    public function a_link_of_a_letter_stands_for_the_password_and_not_for_the_device(): void
    {
        $secret = (string) $this->account('POST', 'account/second-step')->json('secret');
        $this->account('PUT', 'account/second-step', ['code' => $this->code($secret)])->assertOk();
        $this->travel(30)->seconds();
        $token = basename($this->app->make(AccountLinks::class)->make($this->manager, AccountLinks::PASSWORD, 'http://editor.test'));
        $use = function (array $body) use ($token): TestResponse {
            $this->app['auth']->forgetGuards();
            $this->flushSession();

            return $this->postJson("/api/v1/account-links/$token", $body + ['password' => 'eleven boats before breakfast']);
        };
        $use([])->assertStatus(422)->assertJsonPath('errors.0.field', 'code');
        $use(['code' => '000000'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'code');
        $this->assertGuest('web');
        $use(['code' => $this->code($secret)])->assertOk();
        $this->assertAuthenticated('web');
    }

    #[Test]
    public function guessing_codes_is_slowed_down_like_guessing_passwords(): void
    {
        $secret = (string) $this->account('POST', 'account/second-step')->json('secret');
        $this->account('PUT', 'account/second-step', ['code' => $this->code($secret)])->assertOk();
        $this->travel(30)->seconds();
        foreach (range(1, 5) as $n) {
            $this->signIn("00000$n")->assertStatus(422);
        }
        $this->signIn($this->code($secret))->assertStatus(429)->assertHeader('Retry-After');
    }

    #[Test]
    public function whoever_has_a_role_that_needs_a_second_step_is_let_in_nowhere_without_one(): void
    {
        $owner = $this->person('Greta', Role::OWNER);
        $this->api('PUT', 'roles/manager/second-step', ['isNeeded' => true], $owner)->assertNoContent();
        $this->api('GET', 'outline')->assertForbidden();
        $this->signIn()->assertOk()->assertJsonPath('lacksSecondStep', true)->assertJsonPath('sites', []);
        $secret = (string) $this->account('POST', 'account/second-step')->json('secret');
        $this->account('PUT', 'account/second-step', ['code' => $this->code($secret)])->assertOk();
        $this->manager->refresh();
        $this->api('GET', 'outline')->assertOk();
        $this->api('GET', 'rights', as: $owner)->assertJsonPath('rows.1.needsSecondStep', true);
    }

    #[Test]
    public function what_weighs_is_confirmed_where_it_is_some_time_since_one_signed_in(): void
    {
        $page = $this->live('Travel');
        $close = ['changes' => [['kind' => 'set-access', 'page' => $page, 'access' => ['to' => 'nobody']]]];
        $send = fn (array $batch, int $at) => $this->withSession([KnowWho::SIGNED_IN => $at])
            ->actingAs($this->manager->withoutRelations())
            ->postJson('http://editor.test/api/v1/sites/ferries/batches', $batch);
        $long = now()->subMinutes(16)->getTimestamp();
        $send($close, $long)->assertForbidden()->assertJsonPath('confirm', true);
        $send(['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'Crossings']]], $long)->assertCreated();
        $this->withSession([KnowWho::SIGNED_IN => $long])
            ->actingAs($this->manager)
            ->patchJson('http://editor.test/api/v1/sites/ferries/names', ['tagline' => 'T'])
            ->assertForbidden()
            ->assertJsonPath('confirm', true);

        $this->postJson('http://editor.test/api/v1/session/confirmed', ['password' => 'wrong'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'password');
        $this->postJson('http://editor.test/api/v1/session/confirmed', ['password' => self::PASSWORD])->assertNoContent();
        $this->actingAs($this->manager)->postJson('http://editor.test/api/v1/sites/ferries/batches', $close)->assertCreated();
    }

    #[Test]
    public function moving_a_page_out_of_what_is_closed_weighs_whatever_the_change_is_called(): void
    {
        $crew = $this->live('Crew');
        $rota = $this->live('Rota', $crew);
        $this->change(['kind' => 'set-access', 'page' => $crew, 'access' => ['to' => 'nobody']]);
        $this->withSession([KnowWho::SIGNED_IN => 0])
            ->actingAs($this->manager)
            ->postJson('http://editor.test/api/v1/sites/ferries/batches', [
                'changes' => [['kind' => 'move', 'page' => $rota, 'place' => ['last' => null]]],
            ])
            ->assertForbidden()
            ->assertJsonPath('confirm', true);
    }

    #[Test]
    public function a_token_has_the_rights_it_was_made_for_as_far_as_its_person_has_them(): void
    {
        $page = $this->live('Travel');
        $token = (string) $this->account('POST', 'account/tokens', ['name' => 'Renames', 'days' => 30, 'rights' => ['see', 'write', 'code']])
            ->assertCreated()
            ->json('token');
        $with = fn (string $method, string $path, array $body = []) => $this->bearer($token, $method, $path, $body);
        $with('GET', 'sites/ferries/outline')->assertOk();
        $with('PATCH', "sites/ferries/pages/$page", ['summary' => 'S'])->assertOk();
        $with('POST', 'sites/ferries/batches', ['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'X']]])->assertForbidden();
        $with('POST', 'sites/ferries/batches', [
            'changes' => [['kind' => 'set-code', 'page' => $page, 'styles' => 'p { color: red }']],
        ])->assertForbidden();
        $with('GET', 'account')->assertForbidden();
        $with('POST', 'account/tokens', ['name' => 'wider', 'days' => 1])->assertForbidden();

        $this->travel(31)->days();
        $with('GET', 'sites/ferries/outline')->assertUnauthorized();
        $this->account('POST', 'account/tokens', ['name' => '', 'days' => 1])->assertStatus(422);
        $this->account('POST', 'account/tokens', ['name' => 'For ever', 'days' => 100000])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'days');
        $this->account('POST', 'account/tokens', ['name' => 'X', 'days' => 1, 'rights' => ['fly']])->assertStatus(422);
        $id = $this->account('GET', 'account')->assertJsonPath('tokens.0.name', 'Renames')->json('tokens.0.id');
        $this->account('DELETE', "account/tokens/$id")->assertNoContent();
        $this->account('DELETE', "account/tokens/$id")->assertNotFound();
    }

    #[Test]
    public function an_owners_token_for_less_makes_no_owner(): void
    {
        $owner = $this->person('Greta', Role::OWNER);
        $this->account('GET', 'account', as: $owner);
        $token = (string) $this->account('POST', 'account/tokens', ['name' => 'Looks', 'days' => 3, 'rights' => ['see']], $owner)->json('token');
        $this->bearer($token, 'GET', 'session')
            ->assertJsonPath('sites.0.isOwner', false)
            ->assertJsonPath('sites.0.rights', ['see']);
        $this->bearer($token, 'PATCH', 'sites/ferries/names', ['tagline' => 'T'])->assertForbidden();
        $this->bearer($token, 'GET', 'sites/ferries/rights')->assertForbidden();
    }

    #[Test]
    public function a_new_password_ends_other_sessions_and_tokens_and_both_addresses_are_told_of_another_mail(): void
    {
        $this->manager->createToken('old');
        foreach (['one', 'two'] as $id) {
            DB::table('sessions')->insert([
                'id' => $id,
                'user_id' => $this->manager->id,
                'ip_address' => '192.0.2.1',
                'user_agent' => 'A',
                'payload' => '',
                'last_activity' => time(),
            ]);
        }
        $this->account('PATCH', 'account', ['password' => 'short'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'password');
        $this->account('PATCH', 'account', ['password' => 'eleven boats before breakfast'])->assertOk();
        self::assertSame(0, DB::table('sessions')->where('user_id', $this->manager->id)->count());
        self::assertSame(0, $this->manager->tokens()->count());

        $this->account('PATCH', 'account', ['email' => 'no address'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'email');
        Queue::assertPushed(SendLetter::class, 1);
    }

    #[Test]
    public function another_mail_address_holds_once_it_is_confirmed_there_and_nobody_learns_whose_it_is(): void
    {
        $mail = $this->captureMail();
        $this->account('PATCH', 'account', ['email' => 'Mairi.Ordbeck@skerrivane.example'])
            ->assertJsonPath('email', 'mairi@skerrivane.example')
            ->assertJsonPath('emailWanted', 'mairi.ordbeck@skerrivane.example');
        $letters = $mail();
        self::assertSame(['mairi.ordbeck@skerrivane.example', 'mairi@skerrivane.example'], array_keys($letters));
        $link = $this->linkIn($letters['mairi.ordbeck@skerrivane.example']);
        $this->getJson("/api/v1/account-links/$link")
            ->assertOk()
            ->assertJsonPath('purpose', 'mail')
            ->assertJsonPath('email', 'mairi.ordbeck@skerrivane.example');
        // It sets no password.
        $this->postJson("/api/v1/account-links/$link", ['password' => 'eleven boats before breakfast'])->assertStatus(422);
        $this->postJson("/api/v1/account-links/$link/confirmed")->assertNoContent();
        $this->postJson("/api/v1/account-links/$link/confirmed")->assertStatus(422);
        $this->account('GET', 'account')->assertJsonPath('email', 'mairi.ordbeck@skerrivane.example')->assertJsonPath('emailWanted', null);

        // Asked for and discarded, the link is no longer valid.
        $this->account('PATCH', 'account', ['email' => 'another@skerrivane.example'])->assertOk();
        $stale = $this->linkIn($mail()['another@skerrivane.example']);
        $this->account('PATCH', 'account', ['email' => 'mairi.ordbeck@skerrivane.example'])->assertJsonPath('emailWanted', null);
        $this->postJson("/api/v1/account-links/$stale/confirmed")->assertStatus(422);

        // Somebody else's: the answer is the same, and the letter there has no link.
        $this->person('Tam', Role::WRITER);
        $this->account('PATCH', 'account', ['email' => 'tam@skerrivane.example'])->assertOk()->assertJsonPath('emailWanted', 'tam@skerrivane.example');
        self::assertStringNotContainsString('/account/', $mail()['tam@skerrivane.example']);
    }

    #[Test]
    public function where_no_mail_is_sent_another_address_is_refused_and_nothing_waits(): void
    {
        config()->set('mail.default', 'array');
        $this->account('PATCH', 'account', ['email' => 'mairi.ordbeck@skerrivane.example'])->assertStatus(422)->assertJsonPath('errors.0.field', 'email');
        $this->account('GET', 'account')->assertJsonPath('emailWanted', null);
    }

    /** @return \Closure(): array<string, string> what went to whom last, by address */
    private function captureMail(): \Closure
    {
        config()->set('mail.default', 'log');
        $queue = Queue::fake();
        /** @var \ArrayObject<string, string> $sent */
        $sent = new \ArrayObject();
        \Illuminate\Support\Facades\Event::listen(\Illuminate\Mail\Events\MessageSending::class, function ($event) use ($sent): bool {
            $sent[$event->message->getTo()[0]->getAddress()] = (string) $event->message->getTextBody();

            return false;
        });

        return function () use ($sent, $queue): array {
            $this->app->call([$queue->pushed(SendMailConfirmation::class)->last(), 'handle']);

            return $sent->getArrayCopy();
        };
    }

    private function linkIn(string $letter): string
    {
        self::assertMatchesRegularExpression('#/account/([0-9a-f]{48})#', $letter);
        preg_match('#/account/([0-9a-f]{48})#', $letter, $found);

        return $found[1];
    }

    #[Test]
    public function sessions_are_listed_without_what_opens_them_and_ended_one_by_one(): void
    {
        foreach (['one', 'two'] as $id) {
            DB::table('sessions')->insert([
                'id' => $id,
                'user_id' => $this->manager->id,
                'ip_address' => '192.0.2.1',
                'user_agent' => "Browser $id",
                'payload' => '',
                'last_activity' => time(),
            ]);
        }
        $listed = $this->account('GET', 'account')->assertJsonCount(2, 'sessions')->json('sessions');
        self::assertNotContains('one', array_column($listed, 'id'));
        $one = array_column($listed, 'id', 'device')['Browser one'];
        $tam = $this->person('Tam', Role::WRITER);
        $this->account('DELETE', "account/sessions/$one", as: $tam)->assertNotFound();
        $this->account('DELETE', "account/sessions/$one")->assertNoContent();
        self::assertSame(['two'], DB::table('sessions')->where('user_id', $this->manager->id)->pluck('id')->all());
        $this->account('DELETE', 'account/sessions')->assertNoContent();
        self::assertSame(0, DB::table('sessions')->where('user_id', $this->manager->id)->count());
    }

    #[Test]
    public function somebody_who_is_disabled_is_out_at_once_and_nobody_locks_out_those_above_them(): void
    {
        $owner = $this->person('Greta', Role::OWNER);
        $token = $this->manager->createToken('theirs')->plainTextToken;
        DB::table('sessions')->insert(['id' => 'one', 'user_id' => $this->manager->id, 'payload' => '', 'last_activity' => time()]);
        $this->api('PUT', "people/{$this->manager->ulid}/disabled", as: $owner)->assertNoContent();
        $this->api('GET', 'outline')->assertForbidden();
        $this->bearer($token, 'GET', 'sites/ferries/outline')->assertUnauthorized();
        self::assertSame(0, DB::table('sessions')->where('user_id', $this->manager->id)->count());
        $this->api('GET', 'people', as: $owner)->assertJsonFragment(['isDisabled' => true]);
        $this->api('DELETE', "people/{$this->manager->ulid}/disabled", as: $owner)->assertNoContent();
        $this->api('GET', 'outline')->assertOk();

        $this->api('PUT', "people/{$owner->ulid}/disabled", as: $owner)->assertStatus(422);
        $this->say($this->manager, 'people', 'allow');
        $this->api('PUT', "people/{$owner->ulid}/disabled")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'person');
    }

    #[Test]
    public function the_log_tells_what_happened_at_the_door_and_lets_nobody_change_it(): void
    {
        $owner = $this->person('Greta', Role::OWNER);
        $this->signIn()->assertOk();
        $this->postJson('/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => 'wrong'])->assertStatus(422);
        $this->api('PUT', 'roles/writer/second-step', ['isNeeded' => true], $owner)->assertNoContent();
        $lines = $this->api('GET', 'security-log', as: $owner)->assertOk()->json('lines');
        self::assertSame(['rights-changed', 'refused', 'signed-in'], array_slice(array_column($lines, 'kind'), 0, 3));
        $csv = $this->api('GET', 'security-log?format=csv', as: $owner)->streamedContent();
        self::assertStringStartsWith("at,what,who,network,device,detail\r\n", $csv);
        self::assertSame(count($lines) + 1, substr_count($csv, "\r\n"));
        foreach (['update security_log set who = \'\'', 'delete from security_log', 'truncate security_log'] as $statement) {
            try {
                DB::transaction(static fn () => DB::statement($statement));
                self::fail($statement);
            } catch (\Illuminate\Database\QueryException $refused) {
                self::assertStringContainsString('not changed', $refused->getMessage());
            }
        }
    }

    #[Test]
    public function of_a_device_that_is_new_one_is_told_by_mail(): void
    {
        $device = $this->signIn()->headers->getCookies();
        $mark = collect($device)->first(static fn ($cookie): bool => $cookie->getName() === 'heronstem_device');
        self::assertTrue($mark?->isHttpOnly());
        Queue::assertNotPushed(SendLetter::class);
        $this->signIn()->assertOk();
        Queue::assertPushed(SendLetter::class, 1);
    }

    #[Test]
    public function whoever_looks_as_another_sees_what_they_see_and_does_nothing(): void
    {
        $owner = $this->person('Greta', Role::OWNER);
        $page = $this->live('Travel');
        $as = fn (string $method, string $path, array $body = []) => $this->account(
            $method,
            $path === 'session' ? $path : "sites/ferries/$path",
            $body,
            $owner,
        );
        $as('GET', 'rights')->assertOk();
        $as('PUT', 'looking-as', ['who' => 'role:nobody'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'who');
        $as('PUT', 'looking-as', ['who' => "person:{$this->manager->ulid}"])->assertNoContent();
        $as('GET', 'session')->assertJsonPath('sites.0.lookingAs', 'Mairi')->assertJsonPath('sites.0.isOwner', false);
        $as('GET', 'rights')->assertForbidden();
        $as('GET', 'outline')->assertOk();
        $as('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'X']]])
            ->assertForbidden()
            ->assertJsonPath('detail', 'You look at this site as Mairi, and act as nobody. Stop viewing to do something yourself.');
        $as('DELETE', 'looking-as')->assertNoContent();
        $as('GET', 'rights')->assertOk();
        $as('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'X']]])->assertCreated();

        // Nobody gets to see by it what they may not see themselves.
        $this->say($this->manager, 'people', 'allow');
        $this->say($this->manager, 'access', 'deny');
        $this->account('PUT', 'sites/ferries/looking-as', ['who' => 'role:owner'])->assertNoContent();
        $this->account('GET', 'session')->assertJsonPath('sites.0.isOwner', false);
        $this->account('GET', 'sites/ferries/visitors')->assertForbidden();
    }

    private function code(string $secret): string
    {
        return Totp::ofLetters($secret)->code(Totp::stepAt(now()->getTimestamp()));
    }

    /** @return TestResponse<Response> */
    private function signIn(string $code = ''): TestResponse
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();

        return $this->postJson(
            '/api/v1/session',
            ['email' => $this->manager->email, 'password' => self::PASSWORD] + ($code === '' ? [] : ['code' => $code]),
        );
    }

    /**
     * @param  array<string, mixed>  $body
     * @return TestResponse<Response>
     */
    private function account(string $method, string $path, array $body = [], ?User $as = null): TestResponse
    {
        $this->app['auth']->forgetGuards();

        return $this->withSession([KnowWho::SIGNED_IN => now()->getTimestamp()])
            ->actingAs(User::query()->findOrFail(($as ?? $this->manager)->id), 'web')
            ->json($method, "http://editor.test/api/v1/$path", $body);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return TestResponse<Response>
     */
    private function bearer(string $token, string $method, string $path, array $body = []): TestResponse
    {
        $this->app['auth']->forgetGuards();

        return $this->json($method, "http://editor.test/api/v1/$path", $body, ['Authorization' => "Bearer $token", 'If-Match' => '*']);
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\AccountLinks;
use App\Mail\Letter;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use PHPUnit\Framework\Attributes\Test;

/** People who are invited, and passwords that are forgotten. */
final class AccountsTest extends AppTestCase
{
    private User $greta;

    private string $account = 'http://editor.test/api/v1/account-links';

    protected function setUp(): void
    {
        parent::setUp();
        $this->greta = $this->person('Greta', Role::OWNER);
        config(['mail.default' => 'handover']);
        Mail::fake();
    }

    #[Test]
    public function somebody_who_is_invited_sets_a_password_once_and_works_in_their_role(): void
    {
        $this->invite(['name' => ' Ada  Finch ', 'email' => 'Ada@skerrivane.example', 'roles' => ['writer']])
            ->assertCreated()
            ->assertJson(['name' => 'Ada Finch', 'link' => null]);
        $ada = User::query()->where('email', 'ada@skerrivane.example')->firstOrFail();
        self::assertFalse($this->listed('Ada Finch')['hasCome']);
        $this->api('GET', 'history')->assertJsonPath('0.sentence', 'Set the roles of *Ada Finch*: *Writer*');
        $token = $this->tokenIn($this->letterTo('ada@skerrivane.example', 'Greta invites you to work on Ferries'));

        $this->forgetWho();
        $this->getJson("$this->account/$token")
            ->assertOk()
            ->assertExactJson(['purpose' => 'invitation', 'name' => 'Ada Finch', 'email' => 'ada@skerrivane.example']);
        $this->postJson("$this->account/$token", ['password' => 'Ada-Finch-2026'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'password');
        $this->postJson("$this->account/$token", ['password' => 'curlew walks at dusk'])
            ->assertOk()
            ->assertJsonPath('sites.0.roles', ['Writer']);
        $this->assertAuthenticatedAs($ada, 'web');
        self::assertSame('argon2id', password_get_info($ada->refresh()->password)['algoName']);
        self::assertTrue($this->listed('Ada Finch')['hasCome']);
        $this->forgetWho();
        // A link is good once.
        $this->getJson("$this->account/$token")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'link');
        $this->postJson('http://editor.test/api/v1/session', ['email' => 'ada@skerrivane.example', 'password' => 'curlew walks at dusk'])->assertOk();
    }

    #[Test]
    public function what_is_wrong_with_an_invitation_is_said_and_nothing_is_made(): void
    {
        $before = User::query()->count();
        foreach (
            [
                [['email' => 'nowhere', 'name' => 'A', 'roles' => ['writer']], 'email'],
                [['email' => 'a@skerrivane.example', 'name' => ' ', 'roles' => ['writer']], 'name'],
                [['email' => 'a@skerrivane.example', 'name' => 'A', 'roles' => []], 'roles'],
                [['email' => 'a@skerrivane.example', 'name' => 'A', 'roles' => ['none']], 'changes.0.roles.0'],
                [['email' => 'mairi@skerrivane.example', 'roles' => ['writer']], 'email'],
                [['email' => ['x'], 'roles' => 'writer'], 'email'],
            ] as [$given, $field]
        ) {
            $this->invite($given)->assertStatus(422)->assertJsonPath('errors.0.field', $field);
        }
        self::assertSame($before, User::query()->count());
        Mail::assertNothingSent();
        // Whoever looks after people gives what they have, and makes no owners.
        $this->say($this->manager, 'people', 'allow');
        $owner = ['email' => 'a@skerrivane.example', 'name' => 'A', 'roles' => ['owner']];
        $this->api('POST', 'people', $owner, $this->manager)->assertForbidden();
        self::assertSame($before, User::query()->count());
        $this->api('POST', 'people', ['roles' => ['writer']] + $owner, $this->manager)->assertCreated();
    }

    #[Test]
    public function who_has_an_account_is_added_and_told_and_who_has_come_is_not_invited_again(): void
    {
        $known = User::query()->create(['name' => 'Known', 'email' => 'known@skerrivane.example', 'password' => 'x', 'joined_at' => now()]);
        $this->invite(['email' => 'known@skerrivane.example', 'roles' => ['reader']])
            ->assertCreated()
            ->assertJsonPath('name', 'Known');
        $text = implode("\n", $this->letterTo('known@skerrivane.example', 'Greta invites you to work on Ferries')->lines);
        self::assertStringNotContainsString('/account/', $text);
        $this->api('POST', "people/{$known->ulid}/invitation", as: $this->greta)->assertStatus(422);
        $this->api('POST', 'people/01J00000000000000000000009/invitation', as: $this->greta)->assertNotFound();
        // Without mail, the link is handed over.
        config(['mail.default' => 'array']);
        $link = (string) $this->invite(['name' => 'Ina', 'email' => 'ina@skerrivane.example', 'roles' => ['reader']])->json('link');
        self::assertMatchesRegularExpression('#^http://editor\.test/account/[0-9a-f]{48}$#', $link);
        // Not to somebody who would get more by it than they have: whoever holds the link holds the account.
        $this->say($this->manager, 'people', 'allow');
        $ada = (string) $this->invite(['name' => 'Ada', 'email' => 'ada@skerrivane.example', 'roles' => ['owner']])
            ->assertCreated()
            ->json('id');
        $this->api('POST', "people/$ada/invitation", as: $this->manager)
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'person');
        $this->api('POST', "people/$ada/invitation", as: $this->greta)->assertOk();
        $made = ['name' => 'Tam', 'email' => 'tam@skerrivane.example', 'roles' => ['writer']];
        self::assertIsString($this->api('POST', 'people', $made, $this->manager)->assertCreated()->json('link'));
    }

    #[Test]
    public function a_forgotten_password_is_set_anew_and_ends_what_the_old_one_began(): void
    {
        $token = $this->manager->createToken('script')->plainTextToken;
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->manager->id, 'payload' => '', 'last_activity' => time()]);
        $ask = fn (string $mail): int => $this->postJson('http://editor.test/api/v1/password-forgotten', ['email' => $mail])->status();
        self::assertSame([204, 204], [$ask('MAIRI@skerrivane.example '), $ask('nobody@skerrivane.example')]);
        $link = $this->tokenIn($this->letterTo('mairi@skerrivane.example', 'Set a new password for Heronstem'));
        Mail::assertSentCount(1);
        $this->travel(61)->minutes();
        $this->getJson("$this->account/$link")->assertStatus(422);
        $this->travelBack();
        $this->postJson("$this->account/$link", ['password' => 'sandpiper under a bridge'])->assertOk();
        $this->letterTo('mairi@skerrivane.example', 'Your password for Heronstem was changed');
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->forgetWho();
        $this->getJson('http://editor.test/api/v1/sites/ferries/outline', ['Authorization' => "Bearer $token"])->assertUnauthorized();
        // What may be set is taken at the sign-in, however many bytes its letters have.
        $long = str_repeat('ворон летит ', 16);
        config(['mail.default' => 'array']);
        $this->postJson(str_replace('http://editor.test/account', $this->account, $this->link()), ['password' => $long])->assertOk();
        $this->forgetWho();
        $this->postJson('http://editor.test/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => $long])->assertOk();
        config(['mail.default' => 'handover']);
        // Nobody is flooded with mail by what others ask.
        Mail::fake();
        self::assertSame([204, 204, 204, 204], array_map($ask, array_fill(0, 4, 'mairi@skerrivane.example')));
        Mail::assertSentCount(2);
        self::assertContains(429, array_map($ask, array_map(static fn (int $n): string => "guess$n@skerrivane.example", range(1, 12))));
    }

    /** @param  array<string, mixed>  $given */
    private function invite(array $given): \Illuminate\Testing\TestResponse
    {
        return $this->api('POST', 'people', $given, $this->greta);
    }

    /** @return array<string, mixed> */
    private function listed(string $name): array
    {
        return array_column($this->api('GET', 'people', as: $this->greta)->assertOk()->json(), null, 'name')[$name];
    }

    private function letterTo(string $mail, string $subject): Letter
    {
        $sent = Mail::sent(Letter::class, static fn (Letter $letter): bool => $letter->hasTo($mail) && $letter->hasSubject($subject));

        return $sent->first() ?? self::fail("No letter to $mail about “{$subject}”.");
    }

    private function tokenIn(Letter $letter): string
    {
        preg_match('#/account/([0-9a-f]{48})#', implode("\n", $letter->lines), $found);

        return $found[1] ?? self::fail('There is no link in the letter.');
    }

    /** A link of the manager's. */
    private function link(): string
    {
        return $this->app->make(AccountLinks::class)->make($this->manager, AccountLinks::PASSWORD, 'http://editor.test');
    }

    private function forgetWho(): void
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
    }
}

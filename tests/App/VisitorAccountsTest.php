<?php

declare(strict_types=1);

namespace Tests\App;

use App\Jobs\SendLetter;
use App\Models\Visitor;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;

/** Accounts of visitors: by hand, by a table, by invitation, and made by themselves. */
final class VisitorAccountsTest extends AppTestCase
{
    private const PASSWORD = 'eleven boats before breakfast';

    protected function setUp(): void
    {
        parent::setUp();
        Cache::flush();
        config()->set('mail.default', 'array');
        $this->live('Home');
    }

    #[Test]
    public function somebody_invited_sets_a_password_and_signs_in(): void
    {
        $made = $this->api('POST', 'visitors', ['name' => 'Finlay', 'email' => 'Finlay@skerrivane.example', 'roles' => ['crew']])->assertCreated();
        $made->assertJsonPath('visitor.state', 'invited');
        $this->signIn('finlay@skerrivane.example', self::PASSWORD)->assertStatus(422);
        $link = substr((string) $made->json('link'), strlen('http://ferries.test'));
        $this->visit($link)->assertOk()->assertSee('finlay@skerrivane.example')->assertHeader('Referrer-Policy', 'no-referrer');
        $token = substr($link, strlen('/_account/set?link='));
        $this->send('/_account/set', ['link' => $token, 'password' => 'finlay'])
            ->assertStatus(422)
            ->assertSee('at least 12 characters');
        $this->send('/_account/set', ['link' => $token, 'password' => self::PASSWORD])->assertStatus(303);
        $this->send('/_account/set', ['link' => $token, 'password' => self::PASSWORD])->assertNotFound();
        $this->signIn('finlay@skerrivane.example', self::PASSWORD)->assertStatus(303);
        $this->api('GET', 'visitors')
            ->assertJsonPath('rows.0.state', 'in')
            ->assertJsonPath('rows.0.roles', ['crew']);
        $this->api('POST', 'visitors', ['name' => 'Finlay', 'email' => 'finlay@skerrivane.example'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'email');
    }

    #[Test]
    public function disabling_ends_sign_ins_at_once(): void
    {
        $id = $this->visitor('finlay@skerrivane.example');
        $cookie = $this->cookieOf('finlay@skerrivane.example');
        $this->look('/_account', $cookie)->assertOk()->assertSee('Your account');
        $this->api('PATCH', "visitors/$id", ['isDisabled' => true])->assertJsonPath('state', 'disabled');
        $this->look('/_account', $cookie)->assertStatus(303);
        $this->signIn('finlay@skerrivane.example', self::PASSWORD)->assertStatus(403)->assertSee('has been closed');
        $this->api('PATCH', "visitors/$id", ['isDisabled' => false])->assertJsonPath('state', 'in');
        $this->signIn('finlay@skerrivane.example', self::PASSWORD)->assertStatus(303);
    }

    #[Test]
    public function where_the_site_lets_them_visitors_sign_up_and_get_roles_by_rule(): void
    {
        $this->visit('/_account/sign-up')->assertNotFound();
        $this->visit('/_account/sign-in')->assertDontSee('Make one');
        $this->api('PUT', 'sign-up', [
            'open' => 'everyone',
            'roles' => ['reader'],
            'byDomain' => ['@Skerrivane.example' => ['islander']],
        ])->assertOk();
        $this->visit('/_account/sign-in')->assertSee('Make one');
        $this->visit('/_account/sign-up')->assertOk();
        $this->send('/_account/sign-up', ['name' => '', 'mail' => 'ann@skerrivane.example'])->assertStatus(422);
        $this->send('/_account/sign-up', ['name' => 'Ann', 'mail' => 'no address'])
            ->assertStatus(422)
            ->assertSee('no address');
        $this->send('/_account/sign-up', ['name' => 'Ann', 'mail' => 'ann@skerrivane.example'])
            ->assertOk()
            ->assertSee('Look into your mail');
        $ann = Visitor::query()->where('email', 'ann@skerrivane.example')->firstOrFail();
        self::assertSame(['reader', 'islander'], $ann->roles);
        self::assertFalse($ann->isAdmitted(), 'Not before the mail address is theirs.');
        $this->setBy($ann);
        self::assertTrue($ann->refresh()->isAdmitted());
    }

    #[Test]
    public function with_approval_somebody_lets_them_in(): void
    {
        $this->api('PUT', 'sign-up', ['open' => 'approval'])->assertOk();
        $this->send('/_account/sign-up', ['name' => 'Ann', 'mail' => 'ann@elsewhere.example'])->assertOk();
        $ann = Visitor::query()->where('email', 'ann@elsewhere.example')->firstOrFail();
        $this->setBy($ann)->assertOk()->assertSee('Somebody has to let you in');
        $this->signIn('ann@elsewhere.example', self::PASSWORD)->assertStatus(403)->assertSee('Nobody has let you in yet');
        $this->api('GET', 'visitors')->assertJsonPath('asking', 1)->assertJsonPath('rows.0.state', 'asks');
        $this->api('PATCH', "visitors/{$ann->id}", ['isAdmitted' => true, 'roles' => ['reader']])->assertOk();
        $this->signIn('ann@elsewhere.example', self::PASSWORD)->assertStatus(303);
    }

    #[Test]
    public function whether_somebody_has_an_account_is_told_by_mail_alone(): void
    {
        $this->api('PUT', 'sign-up', ['open' => 'everyone'])->assertOk();
        $this->visitor('finlay@skerrivane.example');
        $body = fn (string $path, string $mail): string => str_replace(
            $mail,
            '',
            (string) $this->send($path, ['name' => 'A', 'mail' => $mail])
                ->assertOk()
                ->getContent(),
        );
        foreach (['/_account/sign-up', '/_account/forgotten'] as $path) {
            self::assertSame($body($path, 'finlay@skerrivane.example'), $body($path, 'nobody@skerrivane.example'));
        }
        self::assertSame(1, Visitor::query()->where('email', 'finlay@skerrivane.example')->count());
        config()->set('mail.default', 'smtp');
        Queue::fake();
        $this->send('/_account/forgotten', ['mail' => 'finlay@skerrivane.example']);
        $this->send('/_account/forgotten', ['mail' => 'unknown@skerrivane.example']);
        Queue::assertPushed(SendLetter::class, 1);
        foreach (range(1, 12) as $n) {
            $last = $this->send('/_account/forgotten', ['mail' => "guess$n@skerrivane.example"]);
        }
        $last->assertStatus(429);
    }

    #[Test]
    public function a_table_is_diagnosed_line_by_line_and_brought_in_in_one_step(): void
    {
        $this->visitor('finlay@skerrivane.example');
        $table =
            "Mail address;Name;Roles\nfinlay@skerrivane.example;Finlay;crew\nFINLAY@skerrivane.example;Again;\nnobody;No address;\nann@skerrivane.example;Ann;crew, islander\nbea@skerrivane.example;;\n";
        $rows = $this->api('POST', 'visitors-read', ['file' => str_replace('crew, islander', '"crew; islander"', $table)])
            ->assertOk()
            ->json('rows');
        self::assertSame(['changes', 'nothing', 'nothing', 'makes', 'nothing'], array_column($rows, 'does'));
        self::assertSame([2, 3, 4, 5, 6], array_column($rows, 'line'));
        self::assertStringContainsString('Line 2 has this', $rows[1]['fault']);
        self::assertSame(['crew', 'islander'], $rows[3]['roles']);
        self::assertSame(1, Visitor::query()->count(), 'Nothing is written by looking.');

        $done = $this->api('POST', 'visitors-import', ['file' => str_replace('crew, islander', '"crew; islander"', $table)])->assertOk();
        $done->assertJsonPath('made', 1)->assertJsonPath('changed', 1)->assertJsonCount(1, 'links');
        $csv = $this->api('GET', 'visitors-export')->assertOk()->streamedContent();
        self::assertSame("mail,name,roles\r\nann@skerrivane.example,Ann,crew; islander\r\nfinlay@skerrivane.example,Finlay,crew\r\n", $csv);
        $again = $this->api('POST', 'visitors-read', ['file' => $csv])->json('rows');
        self::assertSame(['stays', 'stays'], array_column($again, 'does'));
        $this->api('POST', 'visitors-read', ['file' => 'mail,name'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'file');
    }

    #[Test]
    public function visitors_look_after_their_own_account_and_delete_it(): void
    {
        $id = $this->visitor('finlay@skerrivane.example');
        $cookie = $this->cookieOf('finlay@skerrivane.example');
        $this->send('/_account', ['act' => 'name', 'name' => 'Finlay Orran'], $cookie)
            ->assertOk()
            ->assertSee('Your name is changed');
        $this->send('/_account', ['act' => 'password', 'password' => 'wrong', 'new' => 'nine gulls on one chimney'], $cookie)->assertStatus(422);
        $this->send('/_account', ['act' => 'password', 'password' => self::PASSWORD, 'new' => 'nine gulls on one chimney'], $cookie)->assertStatus(
            303,
        );
        $this->look('/_account', $cookie)->assertStatus(303);
        $cookie = $this->cookieOf('finlay@skerrivane.example', 'nine gulls on one chimney');
        $this->send('/_account', ['act' => 'delete', 'password' => 'wrong'], $cookie)->assertStatus(422);
        $this->call(
            'POST',
            'http://ferries.test/_account',
            ['act' => 'delete', 'password' => 'nine gulls on one chimney'],
            ['heronstem_visitor' => $cookie],
            server: [
                'REQUEST_URI' => '/_account',
                'HTTP_ORIGIN' => 'https://elsewhere.example',
            ],
        )->assertForbidden();
        $this->send('/_account', ['act' => 'delete', 'password' => 'nine gulls on one chimney'], $cookie)->assertStatus(303);
        self::assertFalse(Visitor::query()->whereKey($id)->exists());
        self::assertSame(0, DB::table('visitor_sign_ins')->count());
    }

    #[Test]
    public function those_of_another_site_are_not_there(): void
    {
        $id = $this->visitor('finlay@skerrivane.example');
        DB::table('visitors')
            ->where('id', $id)
            ->update([
                'site_id' => \App\Models\Site::query()->create([
                    'key' => 'yard',
                    'name' => 'Yard',
                    'origin' => 'http://yard.test',
                    'language' => 'en',
                    'description' => '',
                ])->id,
            ]);
        $this->api('PATCH', "visitors/$id", ['roles' => []])->assertNotFound();
        $this->api('DELETE', "visitors/$id")->assertNotFound();
        $tam = $this->person('Tam', Role::WRITER);
        $this->api('GET', 'visitors', as: $tam)->assertForbidden();
    }

    private function visitor(string $mail): int
    {
        return Visitor::query()->create([
            'site_id' => $this->site->id,
            'email' => $mail,
            'name' => 'Finlay',
            'password' => self::PASSWORD,
            'roles' => [],
            'confirmed_at' => now(),
            'admitted_at' => now(),
        ])->id;
    }

    /** Follows the link of a letter that was sent last. */
    private function setBy(Visitor $visitor): TestResponse
    {
        $token = bin2hex(random_bytes(24));
        DB::table('visitor_links')
            ->where('visitor_id', $visitor->id)
            ->update(['token_hash' => hash('sha256', $token)]);

        return $this->send('/_account/set', ['link' => $token, 'password' => self::PASSWORD]);
    }

    private function cookieOf(string $mail, string $password = self::PASSWORD): string
    {
        return (string) $this->signIn($mail, $password)->assertStatus(303)->headers->getCookies()[0]->getValue();
    }

    /** @return TestResponse<Response> */
    private function signIn(string $mail, string $password): TestResponse
    {
        return $this->send('/_account/sign-in', ['mail' => $mail, 'password' => $password]);
    }

    /** @return TestResponse<Response> */
    private function look(string $path, string $cookie): TestResponse
    {
        return $this->call('GET', "http://ferries.test$path", cookies: ['heronstem_visitor' => $cookie], server: ['REQUEST_URI' => $path]);
    }

    /**
     * @param  array<string, string>  $form
     * @return TestResponse<Response>
     */
    private function send(string $path, array $form, ?string $cookie = null): TestResponse
    {
        $cookies = $cookie === null ? [] : ['heronstem_visitor' => $cookie];

        return $this->call('POST', "http://ferries.test$path", $form, $cookies, server: ['REQUEST_URI' => $path]);
    }
}

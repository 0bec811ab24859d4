<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use App\Models\Visitor;
use Heronstem\Core\Access\Role;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

/** Who is taken for whom, for how long, and what others get to see of it. */
final class SignInsAndHeadersTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->change(['kind' => 'set-start-page', 'page' => $this->live('Home')]);
        Visitor::query()->create([
            'confirmed_at' => now(),
            'admitted_at' => now(),
            'site_id' => $this->site->id,
            'email' => 'eilidh@skerrivane.example',
            'name' => 'Eilidh',
            'password' => 'gannet',
            'roles' => [],
        ]);
    }

    #[Test]
    public function whoever_asks_the_api_too_fast_is_told_to_wait_and_nobody_else_is(): void
    {
        config(['heronstem.api_rate' => 3]);
        $statuses = array_map(fn (): int => $this->api('GET', 'outline')->status(), range(1, 4));
        self::assertSame([200, 200, 200, 429], $statuses);
        $this->api('GET', 'outline')->assertStatus(429)->assertHeader('Retry-After')->assertJsonPath('title', 'Too fast');
        $this->api('GET', 'outline', [], $this->person('Somebody else', Role::OWNER))->assertOk();
    }

    #[Test]
    public function signing_out_at_the_site_ends_the_sign_in_for_a_copy_of_its_cookie_too(): void
    {
        $cookie = $this->visitorSignsIn();
        $this->visitWith($cookie)->assertSee('Eilidh');
        $this->visitWith($cookie, '/_account/sign-out', 'POST')->assertStatus(303);
        $this->visitWith($cookie)->assertDontSee('Eilidh');
        self::assertSame(0, DB::table('visitor_sign_ins')->count());
    }

    #[Test]
    public function a_changed_password_ends_every_sign_in(): void
    {
        $cookie = $this->visitorSignsIn();
        Visitor::query()
            ->firstOrFail()
            ->update(['password' => 'another']);
        $this->visitWith($cookie)->assertDontSee('Eilidh');
    }

    #[Test]
    public function an_unknown_mail_costs_as_much_as_a_known_one(): void
    {
        $asked = [];
        $hasher = $this->app->make('hash');
        $spy = new class($hasher, $asked) implements Hasher
        {
            /** @param  list<string>  $asked */
            public function __construct(private Hasher $hasher, private array &$asked)
            {
            }

            public function check($value, $hashedValue, array $options = []): bool
            {
                $this->asked[] = 'check '.password_get_info($hashedValue)['algoName'];

                return $this->hasher->check($value, $hashedValue, $options);
            }

            public function make($value, array $options = []): string
            {
                $this->asked[] = 'make';

                return $this->hasher->make($value, $options);
            }

            public function info($hashedValue): array
            {
                return $this->hasher->info($hashedValue);
            }

            public function needsRehash($hashedValue, array $options = []): bool
            {
                return false;
            }
        };
        $this->app->instance(Hasher::class, $spy);
        foreach (['warm up', 'nobody@skerrivane.example', 'mairi@skerrivane.example', 'eilidh@skerrivane.example'] as $mail) {
            $asked = [];
            $this->postJson('http://editor.test/api/v1/session', ['email' => $mail, 'password' => 'wrong'])->assertStatus(422);
            $editor = $asked;
            $asked = [];
            $this->visitorSends($mail, 'wrong')->assertStatus(422);
            if ($mail !== 'warm up') {
                self::assertSame([['check argon2id'], ['check argon2id']], [$editor, $asked], $mail);
            }
        }
    }

    #[Test]
    public function guessing_at_many_accounts_from_one_network_is_slowed_down_and_nobody_elsewhere_is_locked_out(): void
    {
        config(['heronstem.sign_in_attempts_network' => 10]);
        foreach (['editor', 'site'] as $where) {
            $try = fn (int $n, string $ip): int => $where === 'editor'
                ? $this->withServerVariables(['REMOTE_ADDR' => $ip])
                    ->postJson('http://editor.test/api/v1/session', ['email' => "guess$n@skerrivane.example", 'password' => 'x'])
                    ->status()
                : $this->withServerVariables(['REMOTE_ADDR' => $ip])
                    ->visitorSends("guess$n@skerrivane.example", 'x', $ip)
                    ->status();
            $statuses = array_map(static fn (int $n): int => $try($n, '192.0.2.7'), range(1, 12));
            self::assertSame([...array_fill(0, 10, 422), 429, 429], $statuses, $where);
            self::assertSame(422, $try(13, '198.51.100.9'));
            self::assertSame(
                [422, 429],
                [$try(14, '2001:db8::1'), array_map(static fn (int $n): int => $try($n, "2001:db8::$n"), range(20, 30))[10]],
                'An IPv6 network is one.',
            );
        }
    }

    #[Test]
    public function behind_a_proxy_that_is_named_the_sites_scheme_is_https_and_cookies_are_secure(): void
    {
        $this->site->update(['origin' => 'https://ferries.test']);
        $signed = $this->call(
            'POST',
            'http://ferries.test/_account/sign-in',
            ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet'],
            server: ['REQUEST_URI' => '/_account/sign-in', 'HTTP_ORIGIN' => 'https://ferries.test', 'HTTP_X_FORWARDED_PROTO' => 'https'],
        )->assertStatus(303);
        self::assertTrue($signed->headers->getCookies()[0]->isSecure());
        $this->call(
            'POST',
            'http://ferries.test/_account/sign-in',
            ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet'],
            server: ['REQUEST_URI' => '/_account/sign-in', 'HTTP_ORIGIN' => 'https://evil.example', 'HTTP_X_FORWARDED_PROTO' => 'https'],
        )->assertForbidden();

        $answer = fn (): bool => $this->call(
            'GET',
            'http://127.0.0.1/sign-in',
            server: ['REMOTE_ADDR' => '192.0.2.1', 'HTTP_X_FORWARDED_PROTO' => 'https'],
        )
            ->headers->getCookies()[0]
            ->isSecure();
        $this->withoutVite();
        self::assertFalse($answer(), 'Anybody could say so.');
        config(['heronstem.trusted_proxies' => '192.0.2.0/24']);
        self::assertTrue($answer());
    }

    #[Test]
    public function a_token_is_ended_by_itself_and_never_mixed_with_who_is_signed_in(): void
    {
        Artisan::call('heronstem:token', ['--user' => 'mairi@skerrivane.example']);
        $headers = ['Authorization' => 'Bearer '.trim(Artisan::output())];
        $this->app['env'] = 'production'; // the framework does not ask for the form's token under test
        $other = User::query()->create(['name' => 'Nobody', 'email' => 'nobody@skerrivane.example', 'password' => 'x']);
        for ($n = 0; $n < 3; $n++) {
            $this->app['auth']->forgetGuards();
            $this->actingAs($other, 'web')
                ->withCookie('heronstem_session', 'anything')
                ->postJson('http://editor.test/api/v1/sites/ferries/ripple', ['changes' => []], $headers)
                ->assertStatus(422);
        }
        $this->app['auth']->forgetGuards();
        $answer = $this->getJson('http://editor.test/api/v1/session', $headers)->assertOk()->assertJsonPath('name', 'Mairi');
        self::assertSame([], $answer->headers->getCookies());
        $this->deleteJson('http://editor.test/api/v1/session', [], $headers)->assertNoContent();
        $this->app['auth']->forgetGuards();
        $this->getJson('http://editor.test/api/v1/sites/ferries/outline', $headers)->assertUnauthorized();
        foreach (['Bearer 99999999999999999999|x', 'Bearer abc|x', "Bearer 1|\xff", 'Bearer '] as $odd) {
            $this->app['auth']->forgetGuards();
            $this->getJson('http://editor.test/api/v1/sites/ferries/outline', ['Authorization' => $odd])->assertUnauthorized();
        }
    }

    #[Test]
    public function files_are_given_in_the_editor_to_the_people_of_their_site_alone(): void
    {
        $file = $this->actingAs($this->manager)
            ->post(
                'http://editor.test/api/v1/sites/ferries/documents',
                ['file' => UploadedFile::fake()->createWithContent('fares.csv', 'a')],
                ['Accept' => 'application/json'],
            )
            ->assertCreated()
            ->json();
        $cache = (string) $this->get('http://editor.test'.$file['address'])
            ->assertOk()
            ->headers->get('Cache-Control');
        self::assertStringContainsString('private', $cache);
        self::assertStringNotContainsString('public', $cache);
        $stranger = User::query()->create(['name' => 'Nobody', 'email' => 'nobody@skerrivane.example', 'password' => 'x']);
        $this->app['auth']->forgetGuards();
        $this->actingAs($stranger)
            ->get('http://editor.test'.$file['address'])
            ->assertForbidden();
        $this->app['auth']->guard('web')->logout();
        $this->app['auth']->forgetGuards();
        $this->get('http://editor.test'.$file['address'])->assertRedirect();
        $this->visit($file['address'])->assertOk();
    }

    #[Test]
    public function other_sites_scripts_read_nothing_and_other_names_are_not_answered(): void
    {
        $this->api('GET', 'outline', headers: ['Origin' => 'https://evil.example'])->assertOk()->assertHeaderMissing('Access-Control-Allow-Origin');
        $this->get('http://evil.example/sign-in')->assertStatus(421)->assertDontSee('<script', false);
        $this->getJson('http://evil.example/api/v1/session')->assertStatus(421);
    }

    private function visitorSignsIn(): string
    {
        return (string) $this->visitorSends('eilidh@skerrivane.example', 'gannet')->assertStatus(303)->headers->getCookies()[0]->getValue();
    }

    private function visitorSends(string $mail, string $password, string $ip = '192.0.2.200'): TestResponse
    {
        return $this->call(
            'POST',
            'http://ferries.test/_account/sign-in',
            ['mail' => $mail, 'password' => $password],
            server: ['REQUEST_URI' => '/_account/sign-in', 'REMOTE_ADDR' => $ip],
        );
    }

    private function visitWith(string $cookie, string $path = '/', string $method = 'GET'): TestResponse
    {
        return $this->call($method, "http://ferries.test$path", cookies: ['heronstem_visitor' => $cookie], server: ['REQUEST_URI' => $path]);
    }
}

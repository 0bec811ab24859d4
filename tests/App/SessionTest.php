<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Facades\Artisan;
use PHPUnit\Framework\Attributes\Test;

final class SessionTest extends AppTestCase
{
    #[Test]
    public function one_signs_in_and_out(): void
    {
        $this->getJson('/api/v1/session')->assertNoContent();
        $this->getJson('/api/v1/sites/ferries/outline')->assertUnauthorized()->assertHeader('Content-Type', 'application/problem+json');
        $this->postJson('/api/v1/session', ['email' => 'MAIRI@skerrivane.example', 'password' => 'secret of Mairi'])
            ->assertOk()
            ->assertJsonPath('name', 'Mairi')
            ->assertJson([
                'sites' => [
                    [
                        'key' => 'ferries',
                        'name' => 'Ferries',
                        'origin' => 'http://ferries.test',
                        'language' => 'en-GB',
                        'zone' => 'UTC',
                        'roles' => ['Manager'],
                        'isOwner' => false,
                        'rights' => [
                            'see',
                            'write',
                            'structure',
                            'publish',
                            'retire',
                            'menus',
                            'addresses',
                            'search',
                            'fields',
                            'files',
                            'access',
                            'settings',
                        ],
                    ],
                ],
            ]);
        $this->assertAuthenticated('web');
        $this->deleteJson('/api/v1/session')->assertNoContent();
        $this->assertGuest('web');
    }

    #[Test]
    public function what_is_missing_or_wrong_is_said_by_field(): void
    {
        $this->postJson('/api/v1/session')
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'email')
            ->assertJsonPath('errors.1.field', 'password');
        $this->postJson('/api/v1/session', ['email' => ['x'], 'password' => 'x'])->assertStatus(422);
        $this->postJson('/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => 'wrong'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'password');
    }

    #[Test]
    public function guessing_is_slowed_down(): void
    {
        for ($i = 0; $i < 5; $i++) {
            $this->postJson('/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => "guess $i"])->assertStatus(422);
        }
        $this->postJson('/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => 'secret of Mairi'])
            ->assertStatus(429)
            ->assertHeader('Retry-After');
        $this->postJson('/api/v1/session', ['email' => 'other@skerrivane.example', 'password' => 'x'])->assertStatus(422);
    }

    #[Test]
    public function a_form_of_another_site_is_refused_and_a_personal_token_is_not(): void
    {
        $this->app['env'] = 'production'; // the framework does not ask for the form's token under test
        $this->postJson('/api/v1/session', ['email' => 'mairi@skerrivane.example', 'password' => 'secret of Mairi'])
            ->assertStatus(419)
            ->assertJsonPath('detail', 'Your session has ended. Sign in again; what you typed is kept.');
        Artisan::call('heronstem:token', ['--user' => 'mairi@skerrivane.example']);
        $token = trim(Artisan::output());
        $this->postJson('/api/v1/sites/ferries/ripple', ['changes' => []], ['Authorization' => "Bearer $token"])->assertStatus(422);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/v1/sites/ferries/ripple', ['changes' => []], ['Authorization' => 'Bearer 1|wrong'])->assertUnauthorized();
    }

    #[Test]
    public function a_token_is_made_for_people_who_exist(): void
    {
        self::assertSame(1, Artisan::call('heronstem:token', ['--user' => 'nobody@skerrivane.example']));
        self::assertStringContainsString('Nobody here', Artisan::output());
    }

    #[Test]
    public function the_editor_is_served_with_a_policy_that_allows_no_inline_script(): void
    {
        $this->withoutVite();
        $answer = $this->get('/s/ferries/outline')->assertOk();
        self::assertStringContainsString("script-src 'self';", (string) $answer->headers->get('Content-Security-Policy'));
        self::assertStringNotContainsString('<script>', (string) $answer->getContent());
        $answer->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Referrer-Policy', 'same-origin');
        $this->get('/api/v1/nothing')->assertNotFound()->assertHeader('Content-Type', 'application/problem+json');
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Visitor;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;

/** A site with https is asked by https alone, and no proxy is believed that nobody named. */
final class SecureTransportTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->change(['kind' => 'rename', 'page' => $this->live('Travel'), 'name' => 'Crossings']);
        $this->change(['kind' => 'set-slug', 'page' => \App\Models\Page::query()->firstOrFail()->ulid, 'slug' => 'crossings']);
        $this->site->update(['origin' => 'https://ferries.test']);
    }

    #[Test]
    public function http_leads_to_https_in_one_hop(): void
    {
        $this->ask('http', '/crossings?a=b')
            ->assertStatus(301)
            ->assertHeader('Location', 'https://ferries.test/crossings?a=b')
            ->assertHeaderMissing('Strict-Transport-Security');
        $this->ask('http', '/travel')->assertStatus(301)->assertHeader('Location', 'https://ferries.test/crossings');
        $this->ask('http', '/nothing')->assertStatus(301)->assertHeader('Location', 'https://ferries.test/nothing');
        $this->ask('http', '/_account/sign-in', 'POST')->assertStatus(308)->assertHeader('Location', 'https://ferries.test/_account/sign-in');
        $this->ask('https', '/crossings')->assertOk()->assertHeader('Strict-Transport-Security', 'max-age=31536000');
        $this->site->update(['origin' => 'http://ferries.test']);
        $this->ask('http', '/crossings')->assertOk();
        $this->ask('https', '/crossings')->assertOk()->assertHeaderMissing('Strict-Transport-Security');
    }

    #[Test]
    public function only_proxies_that_were_named_say_how_they_were_asked(): void
    {
        $proxy = ['HTTP_X_FORWARDED_PROTO' => 'https', 'REMOTE_ADDR' => '192.0.2.1'];
        $this->ask('http', '/crossings', server: $proxy)->assertOk()->assertHeaderMissing('Strict-Transport-Security');
        config()->set('heronstem.trusted_proxies', '192.0.2.0/24');
        $this->ask('http', '/crossings', server: $proxy)->assertOk()->assertHeader('Strict-Transport-Security');
        $this->ask('http', '/crossings', server: ['HTTP_X_FORWARDED_PROTO' => 'http', 'REMOTE_ADDR' => '198.51.100.1'])->assertHeaderMissing(
            'Strict-Transport-Security',
        );
    }

    #[Test]
    public function a_page_of_a_site_with_http_answers_by_https_alone_where_it_says_so(): void
    {
        $this->site->update(['origin' => 'http://ferries.test']);
        $page = \App\Models\Page::query()->firstOrFail()->ulid;
        $inside = $this->live('Fares', $page);
        $ripple = $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-access', 'page' => $page, 'access' => ['to' => 'everyone', 'https' => true]]]]);
        self::assertSame(['is open to everyone, by https alone instead of everyone'], array_unique(array_column($ripple->assertOk()->json('account.lists.visitors'), 'note')));
        $entry = $this->change(['kind' => 'set-access', 'page' => $page, 'access' => ['to' => 'everyone', 'https' => true]]);
        $this->ask('http', '/crossings?a=b')->assertStatus(301)->assertHeader('Location', 'https://ferries.test/crossings?a=b');
        $this->ask('http', '/crossings/fares')->assertStatus(301)->assertHeader('Location', 'https://ferries.test/crossings/fares');
        // A former address leads there at once.
        $this->ask('http', '/travel')->assertStatus(301)->assertHeader('Location', 'https://ferries.test/crossings');
        $this->ask('https', '/crossings')->assertOk();
        config()->set('heronstem.https_port', 8443);
        $this->ask('http', '/crossings')->assertHeader('Location', 'https://ferries.test:8443/crossings');
        // Nobody named the proxy that says so, so nobody is sent round in circles.
        $this->ask('http', '/crossings', server: ['HTTP_X_FORWARDED_PROTO' => 'https'])->assertOk();
        // An exception below, and a page that nobody is to know of tells nothing.
        $this->change(['kind' => 'set-access', 'page' => $inside, 'access' => ['to' => 'everyone']]);
        $this->ask('http', '/crossings/fares')->assertOk();
        $this->change(['kind' => 'set-access', 'page' => $inside, 'access' => ['to' => 'nobody', 'others' => 'missing', 'https' => true]]);
        $this->ask('http', '/crossings/fares')->assertNotFound();
        $this->api('POST', "history/{$entry->ulid}/undo")->assertCreated();
        $this->ask('http', '/crossings')->assertOk();
    }

    #[Test]
    public function how_long_browsers_keep_to_it_is_set_and_cookies_go_by_https_alone(): void
    {
        config()->set('heronstem.hsts', 0);
        $this->ask('https', '/crossings')->assertOk()->assertHeaderMissing('Strict-Transport-Security');
        Visitor::query()->create([
            'site_id' => $this->site->id,
            'email' => 'eilidh@skerrivane.example',
            'name' => 'Eilidh',
            'password' => 'gannet',
            'roles' => [],
            'confirmed_at' => now(),
            'admitted_at' => now(),
        ]);
        $in = $this->ask('https', '/_account/sign-in', 'POST', ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet']);
        self::assertTrue($in->assertStatus(303)->headers->getCookies()[0]->isSecure());
    }

    /**
     * @param  array<string, string>  $form
     * @param  array<string, string>  $server
     * @return TestResponse<Response>
     */
    private function ask(string $scheme, string $path, string $method = 'GET', array $form = [], array $server = []): TestResponse
    {
        return $this->call($method, "$scheme://ferries.test$path", $form, server: ['REQUEST_URI' => $path] + $server);
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use App\Desk\Outside\OutsideClient;
use App\Desk\Outside\TellEngines;
use App\Desk\Outside\TryLinks;
use Heronstem\Core\Linking\OutsideAttempt;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;

/** Links to other sites, tried against a stand-in, and search engines told of changes, taken by another. */
final class OutsideTest extends AppTestCase
{
    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        $this->fares = $this->live('Fares');
    }

    #[Test]
    public function a_url_is_asked_as_far_as_its_redirects_lead(): void
    {
        $standIn = new StandIn('web');
        $client = new OutsideClient(standIn: $standIn->url);
        $expected = [
            'https://weather.example/' => new OutsideAttempt(200),
            'https://weather.example' => new OutsideAttempt(200),
            'https://weather.example/no-head?x=1' => new OutsideAttempt(200),
            'https://weather.example/gone' => new OutsideAttempt(410),
            'https://weather.example/missing' => new OutsideAttempt(404),
            'https://weather.example/moved/tides' => new OutsideAttempt(200, permanentlyAt: 'https://weather.example/tides'),
            'https://weather.example/for-now/tides' => new OutsideAttempt(200),
            'https://weather.example/for-now/moved/tides' => new OutsideAttempt(200),
            'https://weather.example/moved/gone' => new OutsideAttempt(410, permanentlyAt: 'https://weather.example/gone'),
            'https://weather.example/round' => new OutsideAttempt(null, 'It redirects more than five times.'),
            'https://weather.example/inward' => new OutsideAttempt(null, isForbidden: true),
            'https://away.example/' => new OutsideAttempt(503, retryAfter: 7200),
            'http://127.0.0.1:1/' => new OutsideAttempt(null, isForbidden: true),
            'http://[::1]/' => new OutsideAttempt(null, isForbidden: true),
            'http://localhost/' => new OutsideAttempt(null, isForbidden: true),
            'http://169.254.169.254/latest' => new OutsideAttempt(null, isForbidden: true),
        ];
        foreach ($expected as $url => $attempt) {
            self::assertEquals($attempt, $client->try($url), $url);
        }
    }

    #[Test]
    public function a_host_that_is_not_there_is_said_in_words(): void
    {
        $fault = static fn (string $says): OutsideClient => new OutsideClient(new MockHttpClient(new MockResponse('', ['error' => $says])));
        self::assertSame('There is no such host.', $fault('Could not resolve host: x.test')->try('https://93.184.216.34/')->fault);
        self::assertSame('It does not answer in time.', $fault('Idle timeout reached')->try('https://93.184.216.34/')->fault);
        self::assertSame('Its certificate is not valid.', $fault('SSL certificate problem: expired')->try('https://93.184.216.34/')->fault);
        self::assertSame('It cannot be reached.', $fault('Connection refused')->try('https://93.184.216.34/')->fault);
    }

    #[Test]
    public function links_are_tried_only_where_that_is_switched_on_one_of_a_host_at_a_time(): void
    {
        $standIn = $this->standIn();
        $this->link('https://weather.example/gone', 'https://weather.example/moved/x#tides', 'https://tides.example/', 'http://127.0.0.1/admin');
        self::assertSame(0, $this->tries());
        $this->change(['kind' => 'set-outside-services', 'checksLinks' => true]);
        self::assertSame(3, $this->tries(), 'One of each host.');
        self::assertSame(0, $this->tries(), 'A host that was asked a moment ago is left alone.');
        $this->later();
        self::assertSame(1, $this->tries());
        $this->audit();
        $this->api('GET', 'outside-links')
            ->assertJsonPath('isOn', true)
            ->assertJsonPath('counts', [
                ['state' => 'unknown', 'links' => 1],
                ['state' => 'works', 'links' => 1],
                ['state' => 'moved', 'links' => 1],
                ['state' => 'broken', 'links' => 1],
            ])
            ->assertJsonPath('rows.0.url', 'https://weather.example/gone')
            ->assertJsonPath('rows.0.says', 'Gone for good (410).')
            ->assertJsonPath('rows.0.first', [['id' => $this->fares, 'name' => 'Fares']])
            ->assertJsonPath('rows.1.leadsTo', 'https://weather.example/x')
            ->assertJsonPath('rows.2.says', 'It leads into a private network, so it is not tried.');
        self::assertSame(['outside-link-broken', 'outside-link-moved'], $this->findings());
        $this->change(['kind' => 'set-outside-services', 'checksLinks' => false]);
        $this->audit();
        self::assertSame([], $this->findings(), 'What is not tried is not said.');
        unset($standIn);
    }

    #[Test]
    public function a_link_is_tried_again_by_hand_and_forgotten_when_no_page_has_it(): void
    {
        $standIn = $this->standIn();
        $this->change(['kind' => 'set-outside-services', 'checksLinks' => true]);
        $this->link('https://weather.example/missing');
        $this->tries();
        $this->later();
        self::assertSame(0, $this->tries(), 'It is not its turn.');
        $this->api('POST', 'outside-links/again', ['url' => 'https://weather.example/missing'])
            ->assertOk()
            ->assertJson(['links' => 1]);
        $this->api('POST', 'outside-links/again', ['url' => 'https://nowhere.example/'])->assertNotFound();
        $this->tries();
        $this->audit();
        self::assertSame(['outside-link-broken'], $this->findings());
        $this->link('https://weather.example/');
        $this->later();
        $this->api('POST', 'outside-links/again', ['url' => null])->assertOk();
        $this->later();
        $this->tries();
        $this->audit();
        self::assertSame([], $this->findings());
        self::assertSame(['https://weather.example/'], array_column(DB::select('select url from outside_links'), 'url'));
        unset($standIn);
    }

    #[Test]
    public function engines_are_told_of_what_visitors_may_find_and_of_nothing_unless_switched_on(): void
    {
        $this->change(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);
        self::assertSame([], DB::select('select * from engine_changes'));
        $this->change(['kind' => 'set-outside-services', 'tellsEngines' => true]);
        $draft = $this->draft('Secret');
        $this->change(['kind' => 'rename', 'page' => $draft, 'name' => 'More secret']);
        self::assertSame([], $this->told());
        $this->change(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices']);
        self::assertSame(['/fares', '/prices'], $this->told());
        $child = $this->live('Cars', $this->fares);
        self::assertSame(['/prices/cars'], $this->told());
        $this->change(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'costs']);
        self::assertSame(['/costs', '/costs/cars', '/prices', '/prices/cars'], $this->told());
        $this->change(['kind' => 'set-search', 'page' => $child, 'index' => false]);
        self::assertSame(['/costs/cars'], $this->told());
        $this->change(['kind' => 'unlist-page', 'page' => $child]);
        self::assertSame(['/costs/cars'], $this->told());
        $this->change(['kind' => 'rename', 'page' => $child, 'name' => 'Vans']);
        self::assertSame([], $this->told(), 'An unlisted page is nobody\'s to find.');
        $this->change(['kind' => 'take-offline', 'page' => $this->fares]);
        self::assertSame(['/costs'], $this->told());
        $this->saveContent($this->fares, [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Text']]]]);
        self::assertSame([], $this->told());
        $this->change(['kind' => 'go-live', 'page' => $this->fares]);
        self::assertSame(['/costs'], $this->told());
    }

    #[Test]
    public function words_that_are_published_are_told(): void
    {
        $this->change(['kind' => 'set-outside-services', 'tellsEngines' => true]);
        $this->saveContent($this->fares, [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'New prices']]]]);
        self::assertSame([], $this->told(), 'Visitors do not see them yet.');
        $this->api('POST', "pages/{$this->fares}/publish")->assertSuccessful();
        self::assertSame(['/fares'], $this->told());
    }

    #[Test]
    public function a_message_is_sent_with_a_key_that_the_site_answers_for_and_its_answer_is_kept(): void
    {
        $key = $this->switchOn();
        $this->visit("/$key.txt")
            ->assertOk()
            ->assertHeader('Content-Type', 'text/plain; charset=utf-8');
        self::assertSame($key, $this->visit("/$key.txt")->getContent());
        $this->visit('/'.str_repeat('0', 32).'.txt')->assertNotFound();
        $sent = [];
        $this->app->instance(
            OutsideClient::class,
            new OutsideClient(
                new MockHttpClient(static function (string $method, string $url, array $options) use (&$sent): MockResponse {
                    $sent[] = json_decode((string) $options['body'], true);

                    return new MockResponse('', ['http_code' => [429, 200, 403][count($sent) - 1], 'response_headers' => ['Retry-After: 120']]);
                }),
            ),
        );
        $this->change(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices']);
        $this->tell();
        $this->api('GET', 'engine-messages')
            ->assertJsonPath('rows.0.state', 'waiting')
            ->assertJsonPath('rows.0.tries', 1)
            ->assertJsonPath('rows.0.status', 429);
        $this->tell();
        self::assertCount(1, $sent, 'It waits as long as it was asked to.');
        DB::update('update engine_messages set next_at = now()');
        $this->tell();
        self::assertSame($sent[0], $sent[1]);
        self::assertSame(
            ['host' => 'ferries.test', 'key' => $key, 'keyLocation' => "http://ferries.test/$key.txt", 'urlList' => ['http://ferries.test/fares']],
            $sent[0],
        );
        $this->change(['kind' => 'rename', 'page' => $this->fares, 'name' => 'Fares']);
        $this->tell();
        $shown = $this->api('GET', 'engine-messages')
            ->assertJsonPath('rows.0.state', 'refused')
            ->assertJsonPath('rows.1.state', 'taken')
            ->assertJsonPath('rows.0.first', ['/fares']);
        $this->api('POST', "engine-messages/{$shown->json('rows.0.id')}/again")->assertNoContent();
        $this->api('POST', "engine-messages/{$shown->json('rows.0.id')}/again")->assertNotFound();
        $this->change(['kind' => 'set-outside-services', 'tellsEngines' => false]);
        $this->api('GET', 'engine-messages')->assertJsonPath('isOn', false)->assertJsonPath('key', null)->assertJsonCount(1, 'rows');
    }

    #[Test]
    public function the_stand_in_takes_what_the_protocol_says_and_nothing_else(): void
    {
        $log = (string) tempnam(sys_get_temp_dir(), 'told');
        $engine = new StandIn('engine', ['ENGINE_LOG' => $log]);
        $client = new OutsideClient();
        $host = substr($engine->url, 7);
        $message = ['host' => $host, 'key' => 'abcdefgh', 'keyLocation' => "http://$host/abcdefgh.txt", 'urlList' => ["http://$host/a"]];
        self::assertSame([400, null], $client->send("{$engine->url}/indexnow", [...$message, 'key' => 'short']));
        self::assertSame([422, null], $client->send("{$engine->url}/indexnow", [...$message, 'urlList' => ['http://elsewhere.example/']]));
        self::assertSame(
            [403, null],
            $client->send("{$engine->url}/indexnow", [
                ...$message,
                'host' => '127.0.0.1:1',
                'keyLocation' => 'http://127.0.0.1:1/abcdefgh.txt',
                'urlList' => ['http://127.0.0.1:1/a'],
            ]),
        );
        self::assertSame([429, 120], $client->send("{$engine->url}/busy", $message));
        self::assertSame([null, null], $client->send('http://127.0.0.1:1/', $message));
        self::assertSame('', (string) file_get_contents($log));
        unlink($log);
    }

    private function standIn(): StandIn
    {
        $standIn = new StandIn('web');
        $this->app->bind(OutsideClient::class, static fn (): OutsideClient => new OutsideClient(standIn: $standIn->url));

        return $standIn;
    }

    private function switchOn(): string
    {
        $this->change(['kind' => 'set-outside-services', 'tellsEngines' => true]);
        $url = (string) $this->api('GET', 'engine-messages')->assertOk()->assertJsonPath('isOn', true)->json('key');
        self::assertMatchesRegularExpression('#^http://ferries\.test/[0-9a-f]{32}\.txt$#', $url);

        return substr($url, 20, 32);
    }

    private function tell(): void
    {
        $this->app->make(TellEngines::class)->run();
    }

    /** @return list<string> what was noted since the last time */
    private function told(): array
    {
        $told = array_column(DB::select('delete from engine_changes returning address'), 'address');
        sort($told);

        return array_values(array_unique($told));
    }

    private function link(string ...$urls): void
    {
        $text = static fn (string $url): array => ['type' => 'text', 'text' => $url, 'marks' => [['type' => 'link', 'attrs' => ['href' => $url]]]];
        $this->saveContent($this->fares, [['type' => 'paragraph', 'content' => array_map($text, array_values($urls))]]);
        $this->api('POST', "pages/{$this->fares}/publish")->assertSuccessful();
        $this->audit();
    }

    private function tries(): int
    {
        return $this->app->make(TryLinks::class)->run();
    }

    /** As if some seconds had passed for the hosts that were asked. */
    private function later(): void
    {
        DB::update("update outside_links set checked_at = checked_at - interval '10 seconds'");
    }

    private function audit(): void
    {
        $this->app->make(AuditSite::class)->run($this->site->refresh());
    }

    /** @return list<string> */
    private function findings(): array
    {
        return array_column(DB::select("select distinct check_code from findings where check_code like 'outside-%' order by 1"), 'check_code');
    }
}

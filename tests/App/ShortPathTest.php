<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Cache\ForgetPages;
use App\Http\Site\FrontController;
use App\Short\Anybody;
use App\Short\MissedPages;
use App\Short\ShortAnswer;
use App\Short\ShortPath;
use App\Store\HitLog;
use App\Store\RulesFile;
use Eris\Generators;
use Eris\TestTrait;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Launch\NginxConfig;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;

/** Redirects and misses without the framework: the same answers as with it, or none. */
final class ShortPathTest extends AppTestCase
{
    use TestTrait;

    private const HEADERS = ['Location', 'Content-Security-Policy', 'X-Content-Type-Options', 'Referrer-Policy', 'Permissions-Policy'];

    private string $folder;

    private HitLog $hits;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/heronstem-short-'.bin2hex(random_bytes(6));
        mkdir("{$this->folder}/pages", recursive: true);
        config(['heronstem.node_folder' => $this->folder]);
        $this->hits = new HitLog("{$this->folder}/hits");
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        $this->change(
            ['kind' => 'rename', 'page' => $times, 'name' => 'Timetables'],
            ['kind' => 'set-slug', 'page' => $times, 'slug' => 'timetables'],
        );
        $this->live('Café', $travel);
        $section = $this->live('Boats');
        $this->live('Heron', $section);
        $this->change(['kind' => 'change-kind', 'page' => $section, 'to' => 'section']);
        $closed = $this->live('Rota');
        $this->change(['kind' => 'set-access', 'page' => $closed, 'access' => ['to' => 'some', 'signedIn' => true, 'others' => 'missing']]);
        $crew = $this->live('Crew');
        $this->change(['kind' => 'set-access', 'page' => $crew, 'access' => ['to' => 'some', 'signedIn' => true, 'others' => 'sign-in']]);
        $this->redirect(['source' => '/to-crew', 'answer' => '301', 'leadsTo' => ['page' => $crew]]);
        $this->redirect(['source' => '/poster', 'answer' => '302', 'leadsTo' => ['page' => $times]]);
        $this->redirect(['source' => '/to-rota', 'answer' => '301', 'leadsTo' => ['page' => $closed]]);
        $this->redirect(['source' => '/out', 'answer' => '308', 'leadsTo' => ['url' => 'https://elsewhere.example/a?b=c']]);
        $this->redirect(['source' => '/gone', 'answer' => '410']);
        $this->redirect(['source' => '/old', 'scope' => 'branch', 'answer' => '301', 'leadsTo' => ['address' => '/travel']]);
        $this->redirect(['source' => '/news/:year', 'scope' => 'pattern', 'answer' => '301', 'leadsTo' => ['address' => '/travel/:year']]);
        $this->redirect([
            'source' => '/soon',
            'answer' => 'pause',
            'leadsTo' => ['page' => $times],
            'pause' => ['seconds' => 5, 'message' => ['type' => 'doc', 'content' => []]],
        ]);
        // Compiled rules, and what stands where nothing is, are there once the framework was asked.
        $this->framework('/nothing', isBehindNginx: true);
        $this->framework('/gone', isBehindNginx: true);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    #[Test]
    public function redirects_and_misses_are_answered_as_by_the_framework(): void
    {
        $expected = [
            '/travel/times' => 301,
            '/Travel/Timetables/' => 301,
            '/travel/times?a=b&c' => 301,
            '/travel//timetables' => 301,
            '/poster' => 302,
            '/poster?from=pier' => 302,
            '/out' => 308,
            '/old/timetables' => 301,
            '/old' => 301,
            '/news/1999' => 301,
            '/boats' => 302,
            '/gone' => 410,
            '/nothing' => 404,
            '/nothing?x=<script>' => 404,
            '/<b>"quoted"\'s</b>' => 404,
            '/caf%C3%A9' => 404,
            '/%00' => 404,
            '/%FF' => 404,
            '/..%2f..%2fetc/passwd' => 404,
            // Nobody is to know of what is hidden: not by how it is answered either.
            '/rota' => 404,
            '/to-rota' => 404,
        ];
        foreach ($expected as $asked => $status) {
            $short = $this->short($asked);
            self::assertNotNull($short, $asked);
            self::assertSame($status, $short->status, $asked);
            $this->assertSameAnswer($short, $asked);
        }
    }

    #[Test]
    public function everything_else_is_left_to_the_framework(): void
    {
        foreach (
            [
                '/travel',
                '/travel/timetables',
                '/robots.txt',
                '/sitemap.xml',
                '/soon',
                '/_search?q=a',
                '/crew',
                '/to-crew',
                '/'.str_repeat('a', 2100),
                '',
            ] as $asked
        ) {
            self::assertNull($this->short($asked), $asked);
        }
        self::assertNull($this->short('/poster', ['REQUEST_METHOD' => 'POST']));
        self::assertNull($this->short('/poster', ['HTTP_HOST' => 'nobody.test']));
        self::assertNull($this->short('/poster', ['INSIDER' => '1']));
        self::assertNull($this->short('/poster', cookies: ['heronstem_visitor' => 'x']));
        self::assertNotNull($this->short('/poster', cookies: ['theirs' => 'x']));
        $this->site->update(['origin' => 'https://ferries.test']);
        self::assertNull($this->short('/poster'), 'By http it is sent to https first.');
        self::assertSame(302, $this->short('/poster', ['HTTPS' => 'on'])?->status);
        self::assertSame('max-age=60', $this->short('/poster', ['HTTPS' => 'on'])?->headers['Strict-Transport-Security'] ?? null);
        self::assertNull($this->short('/poster', ['HTTP_X_FORWARDED_PROTO' => 'https', 'REMOTE_ADDR' => '192.0.2.1']), 'Nobody named this proxy.');
        self::assertSame(302, $this->short('/poster', ['HTTP_X_FORWARDED_PROTO' => 'https', 'REMOTE_ADDR' => '192.0.2.7'])?->status);
    }

    #[Test]
    public function the_web_server_knows_the_same_cookies(): void
    {
        $config = (new NginxConfig('/public', '/node', '/php.sock', [8080], '127.0.0.1', [], false))->text();
        preg_match_all('/\$cookie_(\w+)/', $config, $known);
        self::assertSame(Anybody::PERSONAL, $known[1]);
    }

    #[Test]
    public function whatever_is_asked_it_says_what_the_framework_says_or_nothing(): void
    {
        $parts = [
            'travel',
            'Travel',
            'times',
            'timetables',
            'old',
            'news',
            '1999',
            'boats',
            'rota',
            'poster',
            'soon',
            'gone',
            '',
            '.',
            '..',
            '%2e%2e',
            '%2F',
            'caf%C3%A9',
            'café',
            '%',
            '%zz',
            "\xff",
            'a b',
            'index.html',
            '?a=b',
            '?',
            '#x',
            '/_files',
            ';v=1',
            '\\',
        ];
        $this->limitTo(150)
            ->forAll(Generators::seq(Generators::elements($parts)))
            ->then(function (array $chosen): void {
                $asked = '/'.implode('/', array_slice($chosen, 0, 6));
                $short = $this->short($asked);
                $short === null || $this->assertSameAnswer($short, $asked);
                $this->addToAssertionCount(1);
            });
    }

    #[Test]
    public function what_it_answers_is_counted_and_a_change_is_heeded_at_once(): void
    {
        $this->short('/poster');
        $this->short('/nothing/at/all');
        $this->short('/travel/times');
        $noted = [];
        foreach ($this->hits->batches() as $batch) {
            foreach ($this->hits->lines($batch) as [, $kind, $what]) {
                $noted[] = "$kind $what";
            }
        }
        self::assertContains('missed /nothing/at/all', $noted);
        self::assertContains('rule at /travel/times', $noted);
        self::assertCount(3, $noted);

        $this->redirect(['source' => '/nothing', 'answer' => '302', 'leadsTo' => ['address' => '/travel']]);
        self::assertSame('/travel', $this->short('/nothing')?->headers['Location'] ?? null);
        $this->redirect(['source' => '/season', 'scope' => 'branch', 'answer' => '302', 'leadsTo' => ['address' => '/travel']]);
        self::assertNull($this->short('/season/a'), 'Rules are compiled by the framework first.');
        $this->framework('/season/a');
        self::assertSame('/travel/a', $this->short('/season/a')?->headers['Location'] ?? null);

        $this->site->update(['tagline' => 'Boats to seven islands']);
        $this->app->make(ForgetPages::class)->now();
        self::assertNull($this->short('/missing'), 'What stands where nothing is shows the site.');
        $this->framework('/missing', isBehindNginx: true);
        self::assertStringContainsString('<code>/missing</code>', (string) $this->short('/missing')?->body);
    }

    #[Test]
    public function pages_that_were_probably_meant_are_found_when_somebody_looks(): void
    {
        $this->visit('/travel/timetable')->assertNotFound()->assertSee('/_near?to=%2Ftravel%2Ftimetable', false)->assertDontSee('Did you want');
        $this->visit('/_near?to=%2Ftravel%2Ftimetable')
            ->assertOk()
            ->assertSee('Did you want one of these?')
            ->assertSee('href="/travel/timetables"', false);
        $this->visit('/_near?to=%2Ftravel%2Ftimetable&part=1')
            ->assertOk()
            ->assertDontSee('<html', false)
            ->assertSee('href="/travel/timetables"', false);
        $this->visit('/_near?to=/qqqq')->assertOk()->assertSee('No page of this site has a similar name');
        foreach (['/_near', '/_near?to[]=x', '/_near?to=%00%ff', '/_near?to='.str_repeat('a', 5000)] as $odd) {
            self::assertContains($this->visit($odd)->getStatusCode(), [200, 400, 422], $odd);
        }
    }

    /**
     * @param  array<string, string>  $server
     * @param  array<string, string>  $cookies
     *
     * @phpstan-impure
     */
    private function short(string $asked, array $server = [], array $cookies = []): ?ShortAnswer
    {
        $path = new ShortPath(
            DB::connection()->getPdo(),
            $this->app->make(RulesFile::class),
            $this->hits,
            new MissedPages($this->folder),
            ['192.0.2.7'],
            60,
        );

        return $path->answer($server + ['REQUEST_METHOD' => 'GET', 'REQUEST_URI' => $asked, 'HTTP_HOST' => 'ferries.test'], $cookies, time());
    }

    private function assertSameAnswer(ShortAnswer $short, string $asked): void
    {
        $full = $this->framework($asked);
        self::assertSame($full->getStatusCode(), $short->status, $asked);
        foreach (self::HEADERS as $name) {
            self::assertSame($full->headers->get($name), $short->headers[$name] ?? null, "$name of $asked");
        }
        self::assertSame($short->status < 400 ? '' : (string) $full->getContent(), $short->body, $asked);
    }

    /** As the framework answers it, to the letter of the address. */
    private function framework(string $asked, bool $isBehindNginx = false): Response
    {
        $request = Request::create('http://ferries.test/');
        $request->server->set('REQUEST_URI', $asked);
        $isBehindNginx && $request->server->set('PAGE_KEY', "http://ferries.test$asked");

        return $this->app->make(FrontController::class)->answer($request, $this->site->refresh());
    }
}

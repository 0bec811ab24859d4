<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Visitor;
use Heronstem\Core\Moment;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Visitors\PageAccess;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\Response;

/** What a visitor may not see is found nowhere; what they get instead is what was chosen. */
final class ClosedPagesTest extends AppTestCase
{
    private const OFFICE = '192.0.2.17';

    private string $crew;

    private string $rota;

    protected function setUp(): void
    {
        parent::setUp();
        $home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        $this->crew = $this->live('Crew');
        $this->rota = $this->live('Rota', $this->crew);
        Visitor::query()->create([
            'confirmed_at' => now(),
            'admitted_at' => now(),
            'site_id' => $this->site->id,
            'email' => 'eilidh@skerrivane.example',
            'name' => 'Eilidh',
            'password' => 'gannet',
            'roles' => ['crew'],
        ]);
    }

    #[Test]
    public function whoever_has_to_sign_in_comes_back_to_where_they_wanted_to_go(): void
    {
        $this->close($this->crew, ['to' => 'some', 'roles' => ['crew']]);
        $sent = $this->visit('/crew/rota?week=3')->assertStatus(303);
        $sent->assertHeader('Location', '/_account/sign-in?to=%2Fcrew%2Frota%3Fweek%3D3')->assertHeader('X-Robots-Tag', 'noindex');
        $this->visit('/_account/sign-in?to=%2Fcrew%2Frota')->assertOk()->assertSee('name="to" value="/crew/rota"', false);
        $in = $this->send('/_account/sign-in', ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet', 'to' => '/crew/rota?week=3']);
        $in->assertStatus(303)->assertHeader('Location', '/crew/rota?week=3');
        $cookie = ['heronstem_visitor' => (string) $in->headers->getCookies()[0]->getValue()];
        $page = $this->look('/crew/rota', $cookie)->assertOk()->assertHeader('X-Robots-Tag', 'noindex');
        self::assertStringContainsString('no-store', (string) $page->headers->get('Cache-Control'));
        self::assertStringContainsString(
            'private',
            (string) $this->look('/', $cookie)->assertOk()->headers->get('Cache-Control'),
            'Its menu shows what others do not see.',
        );

        Visitor::query()->update(['roles' => ['press']]);
        $this->look('/crew/rota', $cookie)->assertStatus(403)->assertSee('not open to you')->assertSee('Eilidh');
    }

    #[Test]
    #[TestWith(['//elsewhere.example/'])]
    #[TestWith(['https://elsewhere.example/'])]
    #[TestWith(['/\\elsewhere.example'])]
    #[TestWith(["/a\r\nSet-Cookie: a=b"])]
    #[TestWith([''])]
    public function nobody_is_brought_to_another_site(string $to): void
    {
        $this->send('/_account/sign-in', ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet', 'to' => $to])->assertHeader('Location', '/');
    }

    #[Test]
    public function a_password_opens_the_branch_until_another_is_set(): void
    {
        $this->close($this->crew, ['to' => 'some', 'password' => 'puffin-at-noon']);
        $this->visit('/crew/rota')
            ->assertStatus(403)
            ->assertSee('opens with a password')
            ->assertHeader('Cache-Control', 'no-store, private')
            ->assertDontSee('Rota');
        $this->send('/_account/open', ['to' => '/crew/rota', 'password' => 'Puffin-at-noon'])
            ->assertStatus(422)
            ->assertSee('not the password');
        $this->send('/_account/open', ['to' => '/crew/rota', 'password' => ''])->assertSee('not the password');
        $opened = $this->send('/_account/open', ['to' => '/crew/rota', 'password' => 'puffin-at-noon'])
            ->assertStatus(303)
            ->assertHeader('Location', '/crew/rota');
        $cookie = $opened->headers->getCookies()[0];
        self::assertTrue($cookie->isHttpOnly());
        $known = ['heronstem_opened' => (string) $cookie->getValue()];
        self::assertStringNotContainsString(
            (string) json_decode((string) $this->row($this->crew)->access, true)['password'],
            (string) $cookie->getValue(),
        );
        $this->look('/crew/rota', $known)->assertOk()->assertSee('Rota');
        $this->look('/crew', $known)->assertOk();
        $this->look('/crew', ['heronstem_opened' => 'made-up'])->assertStatus(403);

        $this->close($this->crew, ['to' => 'some', 'password' => 'razorbill-at-dusk']);
        $this->look('/crew', $known)->assertStatus(403);
    }

    #[Test]
    public function a_password_is_not_guessed_at(): void
    {
        $this->close($this->crew, ['to' => 'some', 'password' => 'puffin-at-noon']);
        foreach (range(1, 5) as $n) {
            $this->send('/_account/open', ['to' => '/crew', 'password' => "guess number $n"])->assertStatus(422);
        }
        $this->send('/_account/open', ['to' => '/crew', 'password' => 'puffin-at-noon'])->assertStatus(429);
        $this->send('/_account/open', ['to' => '/crew', 'password' => 'puffin-at-noon'], '198.51.100.7')->assertStatus(303);
    }

    #[Test]
    public function the_password_is_kept_in_no_history_and_told_by_no_answer(): void
    {
        $this->close($this->crew, ['to' => 'some', 'password' => 'puffin-at-noon']);
        $kept = DB::scalar("select string_agg(h::text, ' ') from history h");
        self::assertStringNotContainsString('puffin-at-noon', $kept);
        $hash = (string) json_decode((string) $this->row($this->crew)->access, true)['password'];
        $entry = $this->api('GET', 'history')->assertOk();
        foreach (
            [
                $this->api('GET', "pages/$this->crew")->assertJsonPath('access.own.hasPassword', true),
                $entry,
                $this->api('GET', 'history/'.$entry->json('entries.0.id')),
            ] as $answer
        ) {
            self::assertStringNotContainsString($hash, (string) $answer->getContent());
        }
    }

    #[Test]
    public function others_get_403_or_404_as_was_chosen_and_a_404_is_that_of_any_page_that_is_not_there(): void
    {
        $this->change(['kind' => 'set-slug', 'page' => $this->rota, 'slug' => 'aaaa']);
        $this->close($this->rota, ['to' => 'some', 'networks' => ['192.0.2.0/24']]);
        $this->visit('/crew/aaaa')->assertStatus(403)->assertSee('not open to you');
        $this->look('/crew/aaaa', ip: self::OFFICE)->assertOk();

        $this->close($this->rota, ['to' => 'some', 'networks' => ['192.0.2.0/24'], 'others' => 'missing']);
        foreach (['GET', 'POST', 'HEAD'] as $method) {
            // The former address of the page, too, is that of nothing.
            foreach (['/crew/rota' => '/crew/tora', '/crew/aaaa' => '/crew/bbbb'] as $secret => $nothing) {
                [$of, $none] = [$this->visit($secret, $method), $this->visit($nothing, $method)];
                self::assertSame($none->status(), $of->status(), "$method $secret");
                $same = static fn (TestResponse $answer, string $address): array => [
                    str_replace([$address, rawurlencode($address)], '', (string) $answer->getContent()),
                    array_diff_key($answer->headers->all(), ['date' => true, 'set-cookie' => true]),
                ];
                self::assertSame($same($none, $nothing), $same($of, $secret), "$method $secret");
            }
        }
        $this->look('/crew/rota', ip: self::OFFICE)->assertStatus(301)->assertHeader('Location', '/crew/aaaa');
    }

    #[Test]
    public function a_pointer_that_is_closed_leads_nobody_on(): void
    {
        $help = $this->live('Help');
        $boats = $this->live('Boats', $this->crew);
        $this->change(['kind' => 'change-kind', 'page' => $boats, 'to' => 'pointer', 'leadsTo' => ['page' => $help]]);
        $this->change(['kind' => 'set-slug', 'page' => $boats, 'slug' => 'ships']);
        $this->visit('/crew/ships')->assertRedirect('/help');
        $this->close($this->crew, ['to' => 'some', 'networks' => ['192.0.2.0/24']]);
        foreach (['/crew/ships', '/crew/boats'] as $address) {
            $this->visit($address)->assertStatus(403);
            $this->visit($address, 'POST')->assertStatus(405);
            $this->look($address, ip: self::OFFICE)->assertRedirect('/help');
        }
    }

    #[Test]
    public function an_access_holds_from_and_until_its_moments(): void
    {
        $this->close($this->crew, [
            'to' => 'nobody',
            'from' => now()->addHour()->toIso8601String(),
            'until' => now()->addHours(2)->toIso8601String(),
        ]);
        $this->visit('/crew/rota')->assertOk();
        $this->travel(61)->minutes();
        $this->visit('/crew/rota')->assertStatus(403);
        $this->visit('/')->assertDontSee('Crew');
        $this->travel(60)->minutes();
        $this->visit('/crew/rota')->assertOk();
    }

    #[Test]
    public function files_follow_the_pages_that_show_them(): void
    {
        $picture = $this->pictureFile();
        $this->app->make(\Illuminate\Contracts\Filesystem\Factory::class)->disk(config('heronstem.files_disk'))->put('x', 'bytes of it');
        $show = fn (string $page) => $this->saveContent($page, [['type' => 'picture', 'attrs' => ['file' => $picture, 'alt' => 'The pier']]]);
        $this->close($this->crew, ['to' => 'some', 'signedIn' => true]);
        $address = "/_files/$picture/pier.png";
        $this->visit($address)->assertOk();
        $show($this->rota);
        $this->change(['kind' => 'publish', 'page' => $this->rota]);
        $this->visit($address)->assertNotFound();
        $in = $this->send('/_account/sign-in', ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet']);
        $cookie = ['heronstem_visitor' => (string) $in->headers->getCookies()[0]->getValue()];
        $file = $this->look($address, $cookie)->assertOk();
        self::assertStringContainsString('no-store', (string) $file->headers->get('Cache-Control'), 'No shared cache keeps it.');

        $help = $this->live('Help');
        $show($help);
        $this->change(['kind' => 'publish', 'page' => $help]);
        $this->visit($address)->assertOk();
    }

    #[Test]
    public function closing_is_in_the_history_and_undone(): void
    {
        $before = $this->snapshot();
        $entry = $this->close($this->crew, ['to' => 'nobody']);
        self::assertSame(2, $entry->ripple['counts']['visitors']);
        $this->api('POST', "history/{$entry->ulid}/undo")->assertStatus(201);
        self::assertEquals($before, $this->snapshot());
        $this->visit('/crew')->assertOk();
    }

    /** Random trees with random words on who sees what; three visitors look everywhere. */
    #[Test]
    #[TestWith([1])]
    #[TestWith([2])]
    #[TestWith([3])]
    public function what_somebody_may_not_see_is_found_nowhere(int $seed): void
    {
        mt_srand($seed);
        $kinds = [
            null,
            null,
            ['to' => 'everyone'],
            ['to' => 'nobody'],
            ['to' => 'some', 'signedIn' => true],
            ['to' => 'some', 'roles' => ['press'], 'others' => 'refused'],
            ['to' => 'some', 'networks' => ['192.0.2.0/24'], 'others' => 'missing'],
        ];
        $pages = [];
        foreach (range(0, 9) as $n) {
            $parent = $n < 2 ? null : $pages[mt_rand(0, $n - 1)]['id'];
            $id = (string) Str::ulid();
            $this->change(
                ['kind' => 'make', 'page' => $id, 'name' => "Zaffre$n", 'slug' => "p$n", 'place' => ['last' => $parent]],
                ['kind' => 'describe', 'page' => $id, 'summary' => "Quillon$n"],
                ['kind' => 'tag', 'pages' => [$id], 'add' => ['all']],
            );
            $this->saveContent($id, [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => "Wimble$n is what it says."]]]]);
            $this->change(['kind' => 'go-live', 'page' => $id]);
            $pages[] = ['id' => $id, 'parent' => $parent];
        }
        $home = (string) $this->row($this->crew)->ulid;
        $this->saveContent($home, [
            ['type' => 'pages', 'attrs' => ['from' => 'tag', 'tag' => 'all', 'order' => 'name', 'most' => 50, 'view' => 'list']],
            ['type' => 'pages', 'attrs' => ['from' => 'branch', 'branch' => ['page' => $pages[0]['id']], 'view' => 'cards']],
        ]);
        $this->change(['kind' => 'publish', 'page' => $home], ['kind' => 'describe', 'page' => $home, 'layout' => 'site-map']);
        foreach ($pages as $n => $page) {
            $access = $kinds[mt_rand(0, count($kinds) - 1)];
            $access === null || $this->close($page['id'], $access);
        }
        $this->assertInvariants();
        $this->app->make(\App\Desk\Audit\AuditSite::class)->run($this->site->refresh());

        $in = $this->send('/_account/sign-in', ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet']);
        $cookie = ['heronstem_visitor' => (string) $in->headers->getCookies()[0]->getValue()];
        foreach (
            [
                'anybody' => [new Guest(address: '198.51.100.1'), [], '198.51.100.1'],
                'somebody in the office' => [new Guest(address: self::OFFICE), [], self::OFFICE],
                'somebody of the crew' => [new Guest(true, ['crew'], '198.51.100.1'), $cookie, '198.51.100.1'],
            ] as $who => [$guest, $cookies, $ip]
        ) {
            $closed = array_filter(array_keys($pages), fn (int $n): bool => ! $this->sees($guest, $pages[$n]['id']));
            $asked = ['/', '/crew', '/crew/rota', '/sitemap.xml', '/_search?q=is+what+it+says', '/_search?q=zafre1', '/zaffre', '/nothing'];
            foreach ($pages as $n => $page) {
                array_push($asked, (string) $this->row($page['id'])->address, "/_search?q=zaffre$n", "/_search?q=wimble$n");
            }
            $seen = 0;
            foreach ($asked as $address) {
                $answer = $this->look($address, $cookies, $ip);
                $body =
                    $answer->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse
                        ? $answer->streamedContent()
                        : (string) $answer->getContent();
                foreach ($closed as $n) {
                    $own = (string) $this->row($pages[$n]['id'])->address;
                    // A search says again what was looked for.
                    $text = str_replace(["value=\"zaffre$n\"", "value=\"wimble$n\"", "“zaffre{$n}”", "“wimble{$n}”"], '', $body);
                    foreach (["Zaffre$n", "Quillon$n", "Wimble$n"] as $word) {
                        self::assertStringNotContainsString($word, $text, "$who, at $address");
                    }
                    self::assertStringNotContainsString("href=\"$own\"", $text, "$who, at $address");
                    self::assertStringNotContainsString("<loc>http://ferries.test$own</loc>", $text, "$who, at $address");
                    self::assertFalse($own === $address && $answer->isOk(), "$who, at $address");
                }
                $seen += $answer->isOk() ? 1 : 0;
            }
            self::assertGreaterThan(count($asked) - 1 - count($closed) - 2 * count($pages), $seen, 'What is open is answered.');
            foreach (array_diff(array_keys($pages), $closed) as $n) {
                $this->look((string) $this->row($pages[$n]['id'])->address, $cookies, $ip)
                    ->assertOk()
                    ->assertSee("Wimble$n");
                $this->look("/_search?q=wimble$n", $cookies, $ip)->assertSee("Zaffre$n");
            }
        }
    }

    /** By looking upwards from page to page. */
    private function sees(Guest $guest, string $page): bool
    {
        $at = $this->row($page);
        $line = array_map(static fn ($each): ?PageAccess => PageAccess::stored($each->access), [$at, ...array_reverse($at->ancestors())]);

        return PageAccess::at(Moment::at(now()->getTimestamp()), $line)?->admits($guest) ?? true;
    }

    /** @param  array<string, mixed>  $access */
    private function close(string $page, array $access): \App\Models\HistoryEntry
    {
        return $this->change(['kind' => 'set-access', 'page' => $page, 'access' => $access]);
    }

    /**
     * @param  array<string, string>  $cookies
     * @return TestResponse<Response>
     */
    private function look(string $path, array $cookies = [], string $ip = '198.51.100.1'): TestResponse
    {
        return $this->call('GET', "http://ferries.test$path", cookies: $cookies, server: ['REQUEST_URI' => $path, 'REMOTE_ADDR' => $ip]);
    }

    /**
     * @param  array<string, string>  $form
     * @return TestResponse<Response>
     */
    private function send(string $path, array $form, string $ip = '198.51.100.1'): TestResponse
    {
        return $this->call('POST', "http://ferries.test$path", $form, server: ['REQUEST_URI' => $path, 'REMOTE_ADDR' => $ip]);
    }
}

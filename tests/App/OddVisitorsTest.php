<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Visitor;
use Illuminate\Support\Facades\Cache;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Whatever visitors and scanners send to a public site: each form, each query and each address is answered, and never by a fault. */
final class OddVisitorsTest extends AppTestCase
{
    private const PASSWORD = 'over the sound at dusk';

    private const ODD = [
        '',
        ' ',
        "\0",
        "a\0b",
        "\xff\xfe",
        ['x'],
        ['a' => ['b' => 'c']],
        '%00',
        '../../etc/passwd',
        '<script>alert(1)</script>',
        "\u{202E}x",
        'a@b',
        '-1',
        '1e400',
        '{{7*7}}',
    ];

    private string $crew;

    protected function setUp(): void
    {
        parent::setUp();
        Cache::flush();
        config()->set('mail.default', 'array');
        $home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        $this->crew = $this->live('Crew');
        $this->live('Rota', $this->crew);
        $this->change([
            'kind' => 'set-access',
            'page' => $this->crew,
            'access' => ['to' => 'some', 'password' => 'puffin-at-noon', 'signedIn' => true],
        ]);
        $this->api('PUT', 'sign-up', ['open' => 'everyone'])->assertOk();
        Visitor::query()->create([
            'site_id' => $this->site->id,
            'email' => 'finlay@skerrivane.example',
            'name' => 'Finlay',
            'password' => self::PASSWORD,
            'roles' => [],
            'confirmed_at' => now(),
            'admitted_at' => now(),
        ]);
    }

    /** @return iterable<string, array{string, array<string, string>}> each form as somebody would send it */
    public static function forms(): iterable
    {
        yield 'sign in' => ['/_account/sign-in', ['mail' => 'finlay@skerrivane.example', 'password' => self::PASSWORD, 'to' => '/crew']];
        yield 'open by a password' => ['/_account/open', ['to' => '/crew/rota', 'password' => 'puffin-at-noon']];
        yield 'sign up' => ['/_account/sign-up', ['name' => 'Ann', 'mail' => 'ann@skerrivane.example']];
        yield 'forgotten' => ['/_account/forgotten', ['mail' => 'finlay@skerrivane.example']];
        yield 'set a password' => ['/_account/set', ['link' => str_repeat('0', 48), 'password' => self::PASSWORD]];
        yield 'sign out' => ['/_account/sign-out', ['to' => '/']];
        yield 'nothing of theirs' => ['/_account/elsewhere', ['a' => 'b']];
    }

    /** @param  array<string, string>  $form */
    #[Test]
    #[DataProvider('forms')]
    public function a_form_with_odd_fields_is_answered_in_words(string $path, array $form): void
    {
        foreach ($form as $field => $value) {
            foreach (self::ODD as $odd) {
                Cache::flush();
                $this->calm($this->send($path, [...$form, $field => $odd]), "$path: $field ".json_encode($odd, JSON_PARTIAL_OUTPUT_ON_ERROR));
            }
            Cache::flush();
            $this->calm($this->send($path, array_diff_key($form, [$field => true])), "$path without $field");
            $this->calm($this->send($path, [...$form, $field => str_repeat('ä', 100_000)]), "$path: $field, much too long");
        }
        foreach (['GET', 'HEAD', 'PUT', 'DELETE', 'OPTIONS', 'PATCH'] as $method) {
            $this->calm($this->call($method, "http://ferries.test$path", $form, server: ['REQUEST_URI' => $path]), "$method $path");
        }
    }

    #[Test]
    public function the_page_of_an_account_takes_odd_fields_as_well(): void
    {
        $cookie = (string) $this->send('/_account/sign-in', ['mail' => 'finlay@skerrivane.example', 'password' => self::PASSWORD])
            ->assertStatus(303)
            ->headers->getCookies()[0]
            ->getValue();
        foreach (['name', 'password', 'delete', 'none'] as $act) {
            foreach (['name', 'password', 'now', 'new', 'mail', 'act'] as $field) {
                foreach (self::ODD as $odd) {
                    $this->calm(
                        $this->send('/_account', ['act' => $act, $field => $odd], $cookie),
                        "$act: $field ".json_encode($odd, JSON_PARTIAL_OUTPUT_ON_ERROR),
                    );
                }
            }
        }
        self::assertTrue(Visitor::query()->where('email', 'finlay@skerrivane.example')->exists(), 'Nothing odd removes an account.');
        $this->call(
            'GET',
            'http://ferries.test/_account',
            cookies: ['heronstem_visitor' => $cookie],
            server: ['REQUEST_URI' => '/_account'],
        )->assertOk();
    }

    #[Test]
    public function odd_queries_cookies_and_heads_are_answered(): void
    {
        $queries = [
            '',
            '?',
            '?&&',
            '?a',
            '?a[]=1',
            '?a[b][c]=1',
            '?q=',
            '?q[]=x',
            '?q=%ff',
            '?q=%00',
            '?to=//elsewhere.example',
            '?to[]=x',
            '?page=-1',
            '?page[]=1',
            '?page=1e400',
            '?page=99999999999999999999',
            '?link=',
            '?link[]=x',
            '?as=%00',
            '?=x',
            '?a=%zz',
            '?'.str_repeat('a', 5000),
        ];
        foreach (
            [
                '/',
                '/crew',
                '/crew/rota',
                '/nothing/there',
                '/_search',
                '/search',
                '/_near',
                '/_account',
                '/_account/sign-in',
                '/_account/set',
                '/_files/x',
                '/_files/',
                '/_design/site.css',
                '/_design/../x',
                '/_seen',
                '/sitemap.xml',
                '/robots.txt',
                '/_',
            ] as $path
        ) {
            foreach ($queries as $query) {
                $this->calm($this->ask($path.$query), $path.$query);
            }
        }
        foreach (
            ["\xff", 'a=b', str_repeat('x', 9000), 'W/"', '"', '*', "\u{1F6A2}", 'bytes=-', 'bytes=9-1', 'bytes=0-99999999999999999999'] as $odd
        ) {
            foreach (
                [
                    'HTTP_IF_NONE_MATCH',
                    'HTTP_IF_MODIFIED_SINCE',
                    'HTTP_ACCEPT',
                    'HTTP_ACCEPT_LANGUAGE',
                    'HTTP_RANGE',
                    'HTTP_REFERER',
                    'HTTP_USER_AGENT',
                    'HTTP_ORIGIN',
                    'HTTP_X_FORWARDED_FOR',
                    'HTTP_CONTENT_TYPE',
                ] as $head
            ) {
                $this->calm($this->ask('/crew', [$head => $odd]), "$head: $odd");
            }
            foreach (['heronstem_visitor', 'heronstem_opened', 'heronstem_plan', 'other'] as $name) {
                $this->calm(
                    $this->call('GET', 'http://ferries.test/crew/rota', cookies: [$name => $odd], server: ['REQUEST_URI' => '/crew/rota']),
                    "cookie $name: $odd",
                );
            }
        }
    }

    #[Test]
    public function odd_addresses_are_answered(): void
    {
        foreach (
            [
                '//',
                '///',
                '/.',
                '/..',
                '/../..',
                '/%2e%2e/',
                '/%00',
                '/%ff',
                '/%',
                '/%zz',
                '/a%2Fb',
                '/a\\b',
                '/'.str_repeat('a/', 900),
                '/'.str_repeat('%61', 2000),
                '/é',
                '/%F0%9F%9A%A2',
                '/a;b=c',
                '/index.php',
                '/.env',
                '/wp-login.php',
                "/a\tb",
                '/a b',
                '/?',
                '/#x',
                '/crew/',
                '/CREW',
                '/crew//rota',
                '/crew/./rota',
                '/crew/../crew',
                '/_account//open',
                '/_files/%00/x',
                '/_files/../../.env',
            ] as $path
        ) {
            foreach (['GET', 'HEAD', 'POST'] as $method) {
                $this->calm($this->call($method, 'http://ferries.test/', server: ['REQUEST_URI' => $path]), "$method $path");
            }
        }
    }

    /** @param  TestResponse<Response>  $answer */
    private function calm(TestResponse $answer, string $asked): void
    {
        $said = $answer->baseResponse instanceof StreamedResponse ? '' : (string) $answer->getContent();
        self::assertLessThan(500, $answer->getStatusCode(), "$asked: ".mb_substr($said, 0, 300));
        self::assertStringNotContainsString('<script>alert(1)', $said, $asked);
        self::assertStringNotContainsString('SQLSTATE', $said, $asked);
        $leads = (string) $answer->headers->get('Location');
        self::assertDoesNotMatchRegularExpression('#^(?:https?:)?//(?!ferries\.test)#', $leads, "$asked leads to $leads.");
    }

    /**
     * @param  array<string, string>  $heads
     * @return TestResponse<Response>
     */
    private function ask(string $asked, array $heads = []): TestResponse
    {
        parse_str((string) parse_url("http://ferries.test$asked", PHP_URL_QUERY), $query);

        return $this->call('GET', "http://ferries.test$asked", $query, server: ['REQUEST_URI' => $asked, ...$heads]);
    }

    /**
     * @param  array<string, mixed>  $form
     * @return TestResponse<Response>
     */
    private function send(string $path, array $form, ?string $cookie = null): TestResponse
    {
        return $this->call(
            'POST',
            "http://ferries.test$path",
            $form,
            $cookie === null ? [] : ['heronstem_visitor' => $cookie],
            server: ['REQUEST_URI' => $path],
        );
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\HistoryEntry;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** Whatever is thrown at an operation of the description: it is answered in words, never by a fault, and changes nothing. */
final class MalformedInputTest extends AppTestCase
{
    /** Values that hardly anything is meant to be. */
    private const ODD = [
        [],
        ['x'],
        ['a' => ['b' => 'c']],
        1.5,
        -1,
        9_999_999_999,
        1e300,
        true,
        '',
        "\0",
        "a\0b",
        '%',
        '01ARZ3NDEKTSV4RRFFQ69G5FAV',
        '99999999999999999999',
    ];

    private User $owner;

    /** @var array<string, string> */
    private array $known;

    protected function setUp(): void
    {
        parent::setUp();
        config(['heronstem.api_rate' => 1_000_000]);
        $this->owner = $this->person('Greta', Role::OWNER);
        $travel = $this->live('Travel');
        $page = $this->draft('Times', $travel);
        $this->api('PUT', "pages/$page/content", ['document' => self::words()], headers: ['If-Match' => '0'])->assertOk();
        $redirect = $this->redirect(['source' => '/deal', 'leadsTo' => ['page' => $travel]]);
        $other = Site::query()
            ->create(['key' => 'yard', 'name' => 'Yard', 'origin' => 'http://yard.test'])
            ->refresh();
        [$mine, $this->site] = [$this->site, $other];
        $theirs = $this->live('Repairs');
        $this->site = $mine;
        $menu = (string) DB::table('menus')->where('site_id', $mine->id)->value('ulid');
        $this->known = [
            'site' => 'ferries',
            'page' => $page,
            'menu' => $menu,
            'redirect' => $redirect,
            'message' => '1',
            'entry' => HistoryEntry::query()->where('site_id', $mine->id)->firstOrFail()->ulid,
            'group' => 'addresses',
            'number' => '1',
            'token' => str_repeat('0', 48),
            'session' => str_repeat('0', 32),
            'role' => 'writer',
            'visitor' => (string) \App\Models\Visitor::query()->create([
                'site_id' => $mine->id,
                'name' => 'Eilidh',
                'email' => 'eilidh@skerrivane.example',
                'password' => 'x',
                'roles' => [],
            ])->id,
            'person' => $this->owner->ulid,
            'left' => '1',
            'right' => '1',
            'list' => $this->oldList($mine),
            'import' => \App\Models\RedirectImport::query()->create(['site_id' => $mine->id, 'total' => 1, 'path' => 'imports/x'])->ulid,
            'file' => \App\Models\File::query()->create([
                'ulid' => (string) Str::ulid(),
                'site_id' => $mine->id,
                'name' => 'a.pdf',
                'mime' => 'application/pdf',
                'bytes' => 1,
                'path' => 'files/none',
            ])->ulid,
            'piece' => \App\Models\SharedPiece::query()->create([
                'site_id' => $mine->id,
                'name' => 'Hours',
                'document' => ['type' => 'doc', 'content' => []],
            ])->ulid,
            'point' => \App\Models\StartingPoint::query()->create(['site_id' => $mine->id, 'name' => 'Like an island'])->ulid,
            'source' => $this->app->make(\App\Desk\BringIn\GiveSource::class)->give($mine->refresh(), $this->manager, 'list', "/brought\n", 'text')
                ->ulid,
            ...$this->plan($page),
            'theirs' => $theirs,
            'key' => 'ferries',
            'travel' => $travel,
            'check' => 'thin-content',
            'layout' => 'crossing',
        ];
        // In use, so that nothing puts it in the bin.
        DB::table('piece_uses')->insert(['page_id' => $this->row($page)->id, 'piece' => $this->known['piece'], 'live' => false]);
        DB::table('file_uses')->insert(['page_id' => $this->row($page)->id, 'file' => $this->known['file'], 'live' => false]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function operations(): iterable
    {
        foreach (self::described() as $path => $operations) {
            foreach (array_keys($operations) as $method) {
                yield strtoupper($method)." $path" => [strtoupper($method), $path];
            }
        }
    }

    /** @return array<string, array<string, array<string, mixed>>> */
    private static function described(): array
    {
        return json_decode((string) file_get_contents(__DIR__.'/../../docs/api/openapi.json'), true, flags: JSON_THROW_ON_ERROR)['paths'];
    }

    #[Test, DataProvider('operations')]
    public function odd_input_is_answered_in_words(string $method, string $path): void
    {
        $before = $this->everything();
        $this->oddPaths($method, $path);
        $this->oddQueries($method, $path);
        if ($method !== 'GET' && $path !== '/session') {
            $this->oddBodies($method, $path);
        }
        if ($method === 'GET') {
            self::assertEquals($before, $this->everything());
        }
    }

    #[Test]
    public function an_identity_that_another_site_uses_is_refused_by_its_field(): void
    {
        $theirs = $this->known['theirs'];
        $menu = (string) DB::table('menus')->where('site_id', '<>', $this->site->id)->value('ulid');
        $entry = (string) DB::table('menu_entries')
            ->join('menus', 'menus.id', '=', 'menu_entries.menu_id')
            ->where('menus.site_id', '<>', $this->site->id)
            ->value('menu_entries.ulid');
        foreach (
            [
                'page' => ['kind' => 'make', 'page' => $theirs, 'name' => 'New', 'place' => ['last' => null]],
                'page ' => ['kind' => 'duplicate', 'page' => $this->known['page'], 'copy' => $theirs],
                'menu' => ['kind' => 'make-menu', 'menu' => $menu, 'name' => 'Other'],
                'entries' => [
                    'kind' => 'arrange-menu',
                    'menu' => $this->known['menu'],
                    'entries' => [['id' => $entry, 'kind' => 'heading', 'label' => 'Above']],
                ],
            ] as $field => $change
        ) {
            $before = $this->everything();
            $this->api('POST', 'batches', ['changes' => [$change]], $this->owner)
                ->assertStatus(422)
                ->assertJsonPath('errors.0.field', 'changes.'.trim($field));
            self::assertEquals($before, $this->everything());
        }
    }

    /** @return array{plan: string, step: string, other: string} */
    private function plan(string $page): array
    {
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])->json('id');
        $step = $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'Other']]])->json('id');

        return [
            'plan' => $plan,
            'step' => $step,
            'other' => $plan,
            'job' => '0190a0a0-0000-4000-8000-000000000000',
            'change' => '01HZZZZZZZZZZZZZZZZZZZZZZZ',
        ];
    }

    private function oddPaths(string $method, string $path): void
    {
        preg_match_all('/\{(\w+)\}/', $path, $names);
        foreach ($names[1] as $name) {
            foreach (
                [
                    '%ff',
                    '%00',
                    'a%00b',
                    '99999999999999999999',
                    '-1',
                    '%2e%2e',
                    str_repeat('x', 3000),
                    $this->known['theirs'],
                    '%27%20or%201=1',
                    'é',
                    '0',
                ] as $odd
            ) {
                $status = $this->ask($method, $this->at($path, [$name => $odd]), '{}')->status();
                self::assertTrue($status >= 400 && $status < 500, "$name $odd: $status");
            }
        }
    }

    private function oddQueries(string $method, string $path): void
    {
        $operation = self::described()[$path][strtolower($method)];
        foreach ($operation['parameters'] ?? [] as $parameter) {
            if (($parameter['in'] ?? '') !== 'query') {
                continue;
            }
            $name = $parameter['name'];
            foreach (
                [
                    "$name=%ff",
                    "$name=%00",
                    "{$name}[]=x",
                    "{$name}[a][b]=x",
                    "$name=99999999999999999999",
                    "$name=-99999999999999999999",
                    "$name=".str_repeat('x', 5000),
                    "$name=%25_%5C%27",
                    "$name=".$this->known['theirs'],
                    "$name=2027-13-45",
                ] as $i => $query
            ) {
                $answer = $this->ask($method, $this->at($path).'?'.$query, '{}');
                self::assertLessThan(500, $answer->getStatusCode(), $query);
                if ($i < 4) {
                    self::assertContains($answer->getStatusCode(), [400, 422], $query);
                }
            }
        }
    }

    private function oddBodies(string $method, string $path): void
    {
        $before = $this->everything();
        foreach (
            [
                '{',
                '[1]',
                '"x"',
                'null',
                '{"a":}',
                "{\"a\":\"\xff\"}",
                '{"a":"\ud800"}',
                str_repeat('{"a":', 100).'1'.str_repeat('}', 100),
                "{\"a\0\":1}",
                '{"a\u0000":1}',
                '{"text":"a\u0000b","note":"\u0000"}',
                '{"a":1e400}',
                '{"changes":[{"a":[-1e999]}]}',
                '{"a":'.str_repeat('9', 400).'}',
            ] as $body
        ) {
            $answer = $this->ask($method, $this->at($path), $body);
            self::assertTrue($answer->getStatusCode() >= 400 && $answer->getStatusCode() < 500, "$body: {$answer->getStatusCode()}");
            self::assertSame('application/problem+json', $answer->headers->get('Content-Type'));
        }
        foreach ($this->bodies($method, $path) as $sent) {
            foreach ($this->mutations($sent) as [$field, $body]) {
                $answer = $this->ask($method, $this->at($path), json_encode($body, JSON_THROW_ON_ERROR));
                $said = "$field: ".json_encode($body).' '.$answer->getStatusCode().' '.mb_substr((string) $answer->getContent(), 0, 300);
                self::assertLessThan(500, $answer->getStatusCode(), $said);
                if ($answer->getStatusCode() >= 400) {
                    self::assertNotSame('', (string) $answer->json('detail'), $said);
                    self::assertStringNotContainsString('SQLSTATE', (string) $answer->getContent());
                    self::assertStringNotContainsString('App\\', (string) $answer->getContent());
                }
            }
        }
        self::assertEquals($before, $this->everything(), 'Something was changed by input that makes no sense.');
    }

    /** @return list<array<string, mixed>> what would be taken, were it not for one field */
    private function bodies(string $method, string $path): array
    {
        $new = (string) Str::ulid();
        ['page' => $page, 'menu' => $menu, 'redirect' => $redirect, 'entry' => $entry, 'travel' => $travel] = $this->known;
        $changes = [
            ['kind' => 'make', 'page' => $new, 'name' => 'New', 'place' => ['last' => $travel], 'slug' => 'new'],
            ['kind' => 'rename', 'page' => $page, 'name' => 'Other'],
            ['kind' => 'set-slug', 'page' => $page, 'slug' => 'other'],
            ['kind' => 'pin', 'page' => $page, 'address' => '/pinned'],
            ['kind' => 'move', 'page' => $page, 'place' => ['first' => null]],
            ['kind' => 'duplicate', 'page' => $page, 'copy' => $new, 'scope' => 'branch', 'place' => ['after' => $page]],
            ['kind' => 'change-kind', 'page' => $page, 'to' => 'pointer', 'leadsTo' => ['url' => 'https://x.example/']],
            ['kind' => 'go-live', 'page' => $page, 'scope' => 'page'],
            [
                'kind' => 'describe',
                'page' => $travel,
                'heading' => 'H',
                'summary' => 'S',
                'searchTitle' => 'T',
                'searchDescription' => 'D',
                'layout' => 'crossing',
                'fields' => ['takes' => 35, 'sails' => 'daily', 'from' => ['page' => $page], 'fares' => [['name' => 'Adult', 'price' => '4.80']]],
            ],
            [
                'kind' => 'set-search',
                'page' => $page,
                'canonical' => 'https://elsewhere.example/x',
                'index' => false,
                'priority' => 0.5,
                'changeFrequency' => 'weekly',
                'targetPhrase' => 'T',
            ],
            ['kind' => 'set-branch-search', 'page' => $travel, 'titlePattern' => '{name} · {site}', 'inSitemap' => true],
            ['kind' => 'set-site-search', 'layout' => 'page', 'descriptionPattern' => '{summary}'],
            ['kind' => 'set-robots', 'robots' => "User-agent: *\nDisallow: /x"],
            ['kind' => 'set-address-rules', 'trailingSlash' => 'always', 'suffix' => '', 'caseSensitive' => true, 'nativeLetters' => true],
            ['kind' => 'mend-links', 'in' => [$page, $travel]],
            ['kind' => 'answer-search', 'words' => 'car ferry', 'page' => $page, 'text' => 'T'],
            ['kind' => 'set-outside-services', 'checksLinks' => true, 'tellsEngines' => true],
            ['kind' => 'set-site-search', 'inSiteSearch' => false],
            ['kind' => 'set-search', 'page' => $page, 'inSiteSearch' => false, 'siteSearchDescription' => 'D'],
            ['kind' => 'schedule', 'page' => $page, 'from' => '2090-01-01T06:00', 'until' => '2091-01-01'],
            ['kind' => 'send-for-review', 'page' => $page, 'note' => 'N'],
            ['kind' => 'bring-back', 'page' => $page, 'state' => 'offline'],
            ['kind' => 'set-start-page', 'page' => $travel, 'for' => 'visitors'],
            ['kind' => 'add-address', 'page' => $page, 'address' => '/poster', 'answer' => 'serve'],
            ['kind' => 'unlist-page', 'pages' => [$page, $travel]],
            ['kind' => 'tag', 'pages' => [$page, $travel], 'add' => ['islands', 'winter'], 'remove' => ['summer']],
            ['kind' => 'make-from', 'page' => $new, 'from' => $this->known['point'], 'name' => 'New', 'place' => ['last' => $travel]],
            [
                'kind' => 'set-access',
                'page' => $page,
                'access' => ['to' => 'some', 'roles' => ['crew'], 'networks' => ['192.0.2.0/24'], 'others' => 'refused', 'until' => '2030-01-01'],
            ],
            ['kind' => 'set-code', 'page' => $page, 'styles' => 'h1 { color: red }', 'head' => '<meta name="a" content="b">'],
            [
                'kind' => 'set-field-defaults',
                'layout' => 'crossing',
                'fields' => ['sails' => 'daily', 'fares' => [['name' => 'Adult', 'price' => '4.80']]],
            ],
            ['kind' => 'set-site-head', 'head' => '<meta name="a" content="b">'],
            ['kind' => 'make-role', 'role' => $new, 'name' => 'Guides', 'like' => 'writer'],
            ['kind' => 'rename-role', 'role' => 'writer', 'name' => 'Authors'],
            ['kind' => 'remove-role', 'role' => 'reader'],
            ['kind' => 'set-roles', 'person' => $this->known['person'], 'roles' => ['owner', 'writer']],
            ['kind' => 'set-rights', 'lines' => [['who' => 'role:writer', 'branch' => $page, 'right' => 'publish', 'says' => 'allow']]],
            ['kind' => 'rename-tag', 'tag' => 'islands', 'to' => 'isles'],
            ['kind' => 'describe', 'page' => $page, 'picture' => null, 'reload' => 5],
            ['kind' => 'add-to-menu', 'page' => $page, 'menu' => $menu],
            ['kind' => 'make-menu', 'menu' => $new, 'name' => 'M', 'of' => 'picks'],
            ['kind' => 'place-menu', 'menu' => $menu, 'place' => 'footer'],
            [
                'kind' => 'arrange-menu',
                'menu' => $menu,
                'basedOn' => 'x',
                'entries' => [
                    [
                        'id' => $new,
                        'kind' => 'page',
                        'page' => $page,
                        'label' => 'L',
                        'from' => '2090-01-01',
                        'until' => '2091-01-01',
                        'newWindow' => true,
                        'audience' => 'everyone',
                        'title' => 'T',
                        'children' => [],
                    ],
                ],
            ],
            [
                'kind' => 'make-redirect',
                'redirect' => $new,
                'source' => '/old',
                'scope' => 'one',
                'leadsTo' => ['page' => $page],
                'answer' => '302',
                'query' => 'drop',
                'note' => 'N',
                'isOn' => true,
                'inFront' => false,
                'carriesRest' => true,
                'from' => '2090-01-01',
                'until' => '2091-01-01',
            ],
            [
                'kind' => 'make-redirect',
                'redirect' => $new,
                'source' => '/winter',
                'leadsTo' => ['page' => $page],
                'answer' => 'pause',
                'pause' => ['seconds' => 8, 'message' => self::words()],
            ],
            ['kind' => 'change-redirect', 'redirect' => $redirect, 'note' => 'N', 'leadsTo' => ['url' => 'https://x.example/']],
            ['kind' => 'remove-redirect', 'redirect' => $redirect, 'gone' => true],
            ['kind' => 'order-patterns', 'redirects' => [$redirect]],
            [
                'kind' => 'replace-text',
                'find' => '(a)|(e)',
                'with' => '$1',
                'way' => 'pattern',
                'matchCase' => true,
                'parts' => ['names', 'content'],
                'branch' => $travel,
                'in' => [$page],
                'skip' => ['x'],
            ],
        ];

        return match ("$method ".preg_replace('/\{\w+\}/', '*', $path)) {
            'POST /sites/*/layouts/*/import' => [['text' => "id,fields.takes\n$page,35"]],
            'PUT /sites/*/looking-as' => [['who' => 'role:reader']],
            'PUT /sites/*/roles/*/second-step' => [['isNeeded' => false]],
            'POST /sites/*/visitors' => [['name' => 'F', 'email' => 'f@skerrivane.example', 'roles' => ['crew']]],
            'PATCH /sites/*/visitors/*' => [['name' => 'F', 'roles' => ['crew'], 'isDisabled' => false, 'isAdmitted' => true]],
            'POST /sites/*/visitors-read', 'POST /sites/*/visitors-import' => [['file' => "mail,name,roles\nf@skerrivane.example,F,crew"]],
            'PUT /sites/*/sign-up' => [['open' => 'approval', 'roles' => ['crew'], 'byDomain' => ['skerrivane.example' => ['islander']]]],
            'POST /session/confirmed' => [['password' => 'x', 'code' => '000000']],
            'PATCH /account' => [['name' => 'N', 'email' => 'n@skerrivane.example']],
            'POST /account/tokens' => [['name' => 'N', 'days' => 3, 'rights' => ['see']]],
            'PUT /account/second-step' => [['code' => '000000']],
            'POST /sites/*/films' => [['address' => 'https://unknown.example/x']],
            'POST /sites/*/code-read' => [['styles' => 'h1 { color: red }', 'head' => '<meta name="a" content="b">']],
            'POST /sites/*/bring-in' => [['text' => '/x', 'name' => 'N']],
            'PATCH /sites/*/bring-in/*' => [
                [
                    'format' => 'table',
                    'columns' => ['address', null],
                    'delimiter' => ';',
                    'encoding' => 'UTF-8',
                    'menus' => [0],
                    'under' => $page,
                    'gaps' => 'skip',
                    'as' => 'live',
                    'changesKnown' => true,
                    'keepsAddresses' => false,
                ],
            ],
            'POST /sites/*/bring-in/*/applied' => [
                ['digest' => str_repeat('0', 64), 'note' => 'N', 'decisions' => [['kind' => 'give-way', 'address' => '/x']]],
            ],
            'DELETE /sites/*' => [['name' => 'N']],
            'POST /sites/*/pages/*/to-site-ripple' => [['to' => 'yard', 'under' => '/repairs']],
            'POST /sites/*/pages/*/to-site' => [
                ['to' => 'yard', 'under' => '/repairs', 'import' => $new, 'digests' => [str_repeat('0', 64), str_repeat('0', 64)]],
            ],
            'POST /sites/*/plans' => [['name' => 'N', 'description' => 'D']],
            'PATCH /sites/*/plans/*' => [['name' => 'N', 'description' => 'D', 'switchAt' => '2090-01-01T06:00']],
            'POST /sites/*/plans/*/steps' => [['changes' => [$changes[1]], 'decisions' => []]],
            'POST /sites/*/plans/*/accepted' => [['page' => $page]],
            'POST /sites/*/plans/*/decisions' => [['decisions' => [['kind' => 'retired', 'page' => $page, 'answer' => 'page', 'to' => $travel]]]],
            'POST /sites/*/plans/*/switched' => [['only' => [(string) Str::ulid()], 'digest' => str_repeat('0', 64), 'note' => 'N']],
            'POST /sites/*/starting-points' => [['name' => 'N', 'description' => 'D', 'page' => $page, 'scope' => 'branch']],
            'PATCH /sites/*/starting-points/*' => [['name' => 'N', 'description' => 'D']],
            'PUT /sites/*/starting-points/*/pages' => [['page' => $page, 'scope' => 'page']],
            'POST /sites/*/pieces', 'PUT /sites/*/pieces/*' => [['name' => 'N', 'document' => self::words()]],
            'PATCH /sites/*/files/*' => [
                ['name' => 'b', 'folder' => 'a/b', 'alt' => 'A', 'caption' => 'C', 'focus' => ['x' => 1, 'y' => 2]],
                ['binned' => false],
            ],
            'POST /sites/*/found' => [
                [
                    'find' => 'a',
                    'with' => 'b',
                    'way' => 'words',
                    'matchCase' => false,
                    'parts' => ['fields'],
                    'branch' => $travel,
                    'in' => [$page],
                    'skip' => ['x'],
                ],
            ],
            'POST /sites/*/address' => [$changes[0], $changes[3], $changes[4], $changes[5]],
            'POST /sites/*/ripple' => [
                ['changes' => [$changes[0], $changes[19]], 'decisions' => [['kind' => 'give-way', 'address' => '/x']], 'defaults' => false],
            ],
            'POST /sites/*/batches' => array_map(
                static fn (array $change): array => [
                    'changes' => [$change],
                    'decisions' => [['kind' => 'retired', 'page' => $page, 'answer' => 'page', 'to' => $travel]],
                    'defaults' => true,
                    'digest' => str_repeat('0', 64),
                    'note' => 'N',
                ],
                $changes,
            ),
            'POST /sites/*/ripple-findings' => [['changes' => [$changes[1]]]],
            'POST /sites/*/ripple/*' => [['changes' => [$changes[1]]]],
            'POST /sites/*/undo', 'POST /sites/*/undo/ripple' => [
                ['entries' => [(string) Str::ulid()], 'note' => 'N', 'digest' => str_repeat('0', 64)],
                ['since' => (string) Str::ulid(), 'decisions' => [['kind' => 'in-between', 'page' => $page, 'answer' => 'free']]],
            ],
            'POST /sites/*/history/*/undo', 'POST /sites/*/history/*/ripple' => [['digest' => str_repeat('0', 64), 'note' => 'N', 'decisions' => []]],
            'POST /sites/*/addresses/tried', 'POST /sites/*/redirects-match', 'POST /sites/*/menus/*/read' => [['text' => '/x']],
            'POST /sites/*/match-lists' => [['name' => 'Another', 'text' => '/x']],
            'PATCH /sites/*/match-lists/*' => [['name' => 'Another', 'threshold' => 80, 'glossary' => 'tt = times']],
            'POST /sites/*/match-lists/*/choices' => [['rows' => [['old' => '/x', 'choice' => 'page', 'page' => $page, 'revision' => 0]]]],
            'POST /sites/*/redirects-import' => [['text' => "source,target\n/x,/y", 'make' => 'none', 'note' => 'N']],
            'POST /sites/*/addresses/ignored' => [['address' => '/never-asked']],
            'POST /sites/*/history-thinning' => [['days' => 1]],
            'POST /sites/*/pasted' => [['html' => '<p>x</p>']],
            'POST /sites/*/menus/*/arranged' => [['entries' => array_column($changes, 'entries')[0], 'who' => 'signed-in', 'at' => '2090-01-01']],
            'POST /sites/*/search-grid/measured' => [['rows' => [['page' => $page, 'title' => 'T', 'description' => 'D']]]],
            'POST /sites/*/patterns/tried' => [
                ['branch' => $page, 'layout' => 'page', 'titlePattern' => '{name}', 'descriptionPattern' => '{summary}'],
            ],
            'DELETE /sites/*/searches' => [['words' => 'cars']],
            'POST /sites/*/outside-links/again' => [['url' => 'https://e.example/']],
            'POST /sites/*/crawling/tried' => [['lines' => "User-agent: *\nDisallow: /x", 'agent' => '*', 'address' => '/x']],
            'POST /sites/*/search-import' => [['text' => "address,title,index,priority\n/travel,T,yes,0.5"]],
            'POST /sites/*/dismissals' => [['page' => $page, 'check' => 'thin-content', 'reason' => 'R', 'until' => '2090-01-01']],
            'PATCH /sites/*/names' => [['name' => '', 'shortName' => str_repeat('x', 31)]],
            'PATCH /sites/*/pages/*' => [
                ['heading' => 'H', 'summary' => 'S', 'searchTitle' => 'T', 'searchDescription' => 'D', 'layout' => 'nowhere', 'socialTitle' => 'S'],
            ],
            'PUT /sites/*/pages/*/content' => [
                [
                    'document' => self::words(),
                    'note' => 'N',
                    'minor' => true,
                    'texts' => ['heading' => 'H', 'summary' => 'S'],
                    'textsBefore' => ['heading' => 'T', 'summary' => ''],
                ],
            ],
            'POST /sites/*/pages/*/reviewed' => [
                ['document' => self::words()],
                [
                    'document' => [
                        'content' => [['type' => 'picture', 'attrs' => ['alt' => 'A']], ['type' => 'table', 'content' => [['content' => []]]]],
                    ],
                ],
            ],
            'POST /sites/*/pages/*/source' => [['document' => self::words(), 'as' => 'html']],
            'POST /sites/*/pages/*/source-read' => [
                ['text' => '<p>x</p><table><tr><td>y', 'as' => 'html'],
                ['text' => "# x\n\n| a |\n| - |", 'as' => 'markdown'],
            ],
            'POST /sites/*/pages/*/shown' => [['blocks' => [['type' => 'button', 'attrs' => ['text' => 'T', 'link' => ['href' => '/a']]]]]],
            'PUT /sites/*/pages/*/draft' => [['document' => self::words(), 'basedOn' => -1, 'texts' => ['heading' => 'H', 'summary' => 'S']]],
            default => [['x' => 'y']],
        };
    }

    /**
     * @param  array<mixed>  $sent
     * @return iterable<array{string, array<mixed>}> the same with one value, on any level, that is odd
     */
    private function mutations(array $sent): iterable
    {
        foreach ($sent as $field => $value) {
            foreach (self::ODD as $odd) {
                if (
                    $odd !== $value &&
                    ! (
                        $field === 'defaults' ||
                        $odd === '' ||
                        ($odd === true && is_bool($value)) ||
                        ($odd === [] && is_array($value)) ||
                        (is_string($odd) && is_string($value) && ! str_contains($odd, "\0"))
                    )
                ) {
                    yield [(string) $field, [...$sent, $field => $odd]];
                }
            }
            foreach (is_array($value) ? $this->mutations($value) : [] as [$inner, $mutated]) {
                $changed = $sent;
                $changed[$field] = $mutated;
                yield ["$field.$inner", $changed];
            }
        }
    }

    /** @param  array<string, string>  $instead */
    private function at(string $path, array $instead = []): string
    {
        return '/api/v1'.preg_replace_callback('/\{(\w+)\}/', fn (array $found): string => $instead[$found[1]] ?? $this->known[$found[1]], $path);
    }

    private function ask(string $method, string $path, string $body): TestResponse
    {
        $this->app['auth']->forgetGuards();
        $this->withSession([\App\Http\Middleware\KnowWho::SIGNED_IN => now()->getTimestamp()])->actingAs($this->owner);

        return $this->call(
            $method,
            'http://editor.test'.$path,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_IF_MATCH' => '"0"'],
            content: $body,
        );
    }

    /** @return list<mixed> */
    private function everything(): array
    {
        return [
            ...$this->snapshot(),
            HistoryEntry::query()->count(),
            DB::table('content_versions')->count(),
            (array) DB::table('sites')
                ->where('key', 'ferries')
                ->first(['name', 'short_name', 'tagline', 'description']),
        ];
    }

    /** @return array<string, mixed> */
    private static function words(): array
    {
        return [
            'type' => 'doc',
            'content' => [
                ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Words', 'marks' => [['type' => 'bold']]]]],
                ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'Head']]],
            ],
        ];
    }
}

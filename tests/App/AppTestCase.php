<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ApplyChanges;
use App\Http\Middleware\KnowWho;
use App\Jobs\AuditPages;
use App\Jobs\TellEngines;
use App\Jobs\TryOutsideLinks;
use App\Models\File;
use App\Models\HistoryEntry;
use App\Models\Membership;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Decision\WhenUnanswered;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** A site of a few pages in the database, and people to work on it. */
abstract class AppTestCase extends TestCase
{
    use DatabaseTransactions;

    protected Site $site;

    protected User $manager;

    public function createApplication(): Application
    {
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        // What follows changes is waited for only by tests of it.
        Queue::fake([AuditPages::class, TellEngines::class, TryOutsideLinks::class]);
        $this->site = Site::query()
            ->create([
                'key' => 'ferries',
                'name' => 'Ferries',
                'origin' => 'http://ferries.test',
                'language' => 'en-GB',
                'description' => 'Boats to five islands.',
            ])
            ->refresh();
        $this->manager = $this->person('Mairi', Role::MANAGER);
    }

    /** @param  string  $role  key; a writer of one branch reads everywhere else */
    protected function person(string $name, string $role, ?string $branch = null): User
    {
        $user = User::query()
            ->create(['name' => $name, 'email' => strtolower($name).'@skerrivane.example', 'password' => "secret of $name"])
            ->refresh();
        Membership::begin($this->site, $user, $branch === null ? $role : Role::READER);
        foreach ($branch === null ? [] : ['write', 'structure', 'fields'] as $right) {
            $this->say($user, $right, 'allow', $branch);
        }

        return $user;
    }

    /** A list of old addresses with one, /x. */
    protected function oldList(Site $site): string
    {
        return $this->app
            ->make(\App\Desk\Matching\MatchLists::class)
            ->make($site->refresh(), $this->manager, 'Old site', \Heronstem\Core\Interchange\OldAddresses::read('/x'))->ulid;
    }

    protected function say(User $user, string $right, string $says, ?string $branch = null): void
    {
        DB::table('right_lines')->insert([
            'site_id' => $this->site->id,
            'user_id' => $user->id,
            'page_id' => $branch === null ? null : $this->row($branch)->id,
            'right' => $right,
            'says' => $says,
        ]);
    }

    /** Makes a page through the API's own way and returns its identity. */
    protected function draft(string $name, ?string $parent = null): string
    {
        $id = (string) Str::ulid();
        $this->change(['kind' => 'make', 'page' => $id, 'name' => $name, 'place' => ['last' => $parent]]);

        return $id;
    }

    protected function live(string $name, ?string $parent = null): string
    {
        $id = $this->draft($name, $parent);
        $this->change(['kind' => 'go-live', 'page' => $id]);

        return $id;
    }

    /**
     * Makes a redirect and returns its identity.
     *
     * @param  array<string, mixed>  $fields
     */
    protected function redirect(array $fields): string
    {
        $id = (string) Str::ulid();
        $this->change(['kind' => 'make-redirect', 'redirect' => $id] + $fields);

        return $id;
    }

    /** @param  array<string, mixed>  ...$changes */
    protected function change(array ...$changes): HistoryEntry
    {
        $batch = (new \Heronstem\Core\Change\ChangeReader($this->site->rules(), $this->site->zone ?? 'UTC'))->batch(
            $changes,
            [],
            WhenUnanswered::TakesDefault,
        );

        return $this->app->make(ApplyChanges::class)->apply($this->site, $this->manager, $batch);
    }

    protected function carryOut(Change ...$changes): HistoryEntry
    {
        return $this->app->make(ApplyChanges::class)->apply($this->site, $this->manager, Batch::of(...$changes));
    }

    /** @param  list<array<string, mixed>>  $blocks */
    protected function saveContent(string $page, array $blocks): void
    {
        $version = $this->api('GET', "pages/$page/content")
            ->assertOk()
            ->headers->get('ETag');
        $this->api(
            'PUT',
            "pages/$page/content",
            ['document' => ['type' => 'doc', 'content' => $blocks]],
            headers: ['If-Match' => (string) $version],
        )->assertOk();
    }

    /** A picture among the files of the site, of this size in px; its bytes are nowhere. */
    protected function pictureFile(string $name = 'pier.png', int $width = 600, int $height = 400): string
    {
        $ulid = (string) Str::ulid();
        File::query()->create([
            'ulid' => $ulid,
            'site_id' => $this->site->id,
            'name' => $name,
            'mime' => 'image/png',
            'bytes' => 1,
            'width' => $width,
            'height' => $height,
            'path' => 'x',
        ]);

        return $ulid;
    }

    protected function row(string $page): Page
    {
        return Page::query()->where('ulid', $page)->firstOrFail();
    }

    /** @param  array<string, mixed>  $body */
    protected function api(string $method, string $path, array $body = [], ?User $as = null, array $headers = []): TestResponse
    {
        $this->app['auth']->forgetGuards();

        // As in life, every request looks up anew what whoever asks may do; they have just signed in.
        $response = $this->withSession([KnowWho::SIGNED_IN => now()->getTimestamp()])
            ->actingAs(($as ?? $this->manager)->withoutRelations())
            ->json($method, "http://editor.test/api/v1/sites/ferries/$path", $body, $headers);
        $route = $this->app['router']->current();
        if ($route !== null) {
            ResponseContract::hold($method, $route->uri(), $response);
        }

        return $response;
    }

    /** @return TestResponse<Response> */
    protected function visit(string $path, string $method = 'GET'): TestResponse
    {
        return $this->call($method, 'http://ferries.test'.$path, server: ['REQUEST_URI' => $path]);
    }

    /** Everything of the site that must come back exactly. */
    protected function snapshot(): array
    {
        return [
            DB::select(
                'select p.ulid, parent.ulid as parent, p.position, p.name, p.slug, p.slug_by_hand, p.pinned, p.address, p.state, p.ever_live, p.listed, p.kind, p.leads_to, p.left_out, p.is_protected, bin.ulid as bin, p.was, p.from_at, p.until_at, p.review_note,
                p.heading, p.summary, p.search_title, p.search_description, p.layout, p.indexed, p.in_sitemap, p.in_site_search, p.search::text, p.branch_search::text, p.social_title, p.prepared::text, p.access::text, (select g.ulid from pages g where g.id = p.gate_id) as gate, w.working::text, w.working_version, w.live::text, w.live_version from pages p left join pages parent on parent.id = p.parent_id left join pages bin on bin.id = p.bin_id left join page_contents w on w.page_id = p.id where p.site_id = ? order by p.ulid',
                [$this->site->id],
            ),
            DB::select(
                'select l.key, l.address, l.kind, p.ulid as page, l.ever_live, f.ulid as held_for from ledger l left join pages p on p.id = l.page_id
                    left join pages f on f.id = l.held_for_id where l.site_id = ? order by l.key',
                [$this->site->id],
            ),
            DB::select(
                'select p.ulid, i.ulid as signed_in, s.trailing_slash, s.suffix, s.case_sensitive, s.native_letters from sites s left join pages p on p.id = s.start_page_id left join pages i on i.id = s.start_page_signed_in_id where s.id = ?',
                [$this->site->id],
            ),
            DB::select(
                'select p.ulid, d.user_id, d.document::text, d.based_on from drafts d join pages p on p.id = d.page_id where p.site_id = ? order by 1, 2',
                [$this->site->id],
            ),
            $this->accessOfSite(),
            array_map(static fn ($menu): object => (object) $menu->toArray(), (new \App\Store\StoredMenus(DB::connection(), $this->site))->all()),
            array_map(
                static fn ($rule): object => (object) $rule->toArray(),
                array_values(
                    \Illuminate\Support\Arr::sort(
                        iterator_to_array((new \App\Store\StoredRules(DB::connection(), $this->site))->everyRule(), false),
                        'id',
                    ),
                ),
            ),
        ];
    }

    /** @return array<string, mixed> who works on the site, and what is said of their rights, in whatever order */
    private function accessOfSite(): array
    {
        $access = (new \App\Store\StoredAccess(DB::connection(), $this->site))->access();
        $of = array_map(static fn ($line): string => $line->says->value, $access->lines);
        ksort($of);

        return ['roles' => array_column($access->roles, 'name', 'key'), 'people' => array_column($access->people, 'roles', 'id'), 'lines' => $of];
    }

    protected function assertInvariants(): void
    {
        self::assertSame([], $this->app->make(\App\Store\Violations::class)->of($this->site->refresh()));
    }
}

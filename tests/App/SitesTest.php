<?php

declare(strict_types=1);

namespace Tests\App;

use App\Http\Middleware\KnowWho;
use App\Models\AccountLink;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;

/** A site is made by whoever runs the installation, or by an owner of another one. */
final class SitesTest extends AppTestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->person('Greta', Role::OWNER);
    }

    #[Test]
    public function an_owner_makes_a_site_and_begins_in_it(): void
    {
        $made = $this->make([
            'name' => 'Skerrivane Boatyard',
            'origin' => 'HTTPS://Yard.Skerrivane.example/',
            'trailingSlash' => 'always',
        ])->assertCreated();
        self::assertSame(['ferries', 'skerrivane-boatyard'], array_column($made->json('sites'), 'key'));
        $site = Site::query()->where('key', 'skerrivane-boatyard')->firstOrFail();
        self::assertSame('https://yard.skerrivane.example', $site->origin);
        $as = fn (string $method, string $path, array $body = []): TestResponse => $this->signed()->json(
            $method,
            "http://editor.test/api/v1/sites/skerrivane-boatyard/$path",
            $body,
        );
        $as('GET', 'outline')->assertOk()->assertJsonPath('branches.0.rows', []);
        $page = '01JZZZZZZZZZZZZZZZZZZZZZZ1';
        $as('POST', 'batches', [
            'changes' => [
                ['kind' => 'make', 'page' => $page, 'name' => 'Slips', 'place' => ['last' => null]],
                ['kind' => 'go-live', 'page' => $page],
            ],
        ])->assertCreated();
        self::assertSame('/slips/', DB::table('pages')->where('site_id', $site->id)->value('address'));
        self::assertSame([], $this->app->make(\App\Store\Violations::class)->of($site));
        self::assertNotSame([], $as('GET', 'menus')->assertOk()->json());
    }

    #[Test]
    #[TestWith(['name', ['name' => ' ']])]
    #[TestWith(['name', ['name' => ['x']]])]
    #[TestWith(['origin', ['origin' => 'https://new.test/path']])]
    #[TestWith(['origin', ['origin' => 'https://ferries.test']])]
    #[TestWith(['origin', ['origin' => "https://new.test\0"]])]
    #[TestWith(['key', ['key' => 'ferries']])]
    #[TestWith(['key', ['key' => 'No Key']])]
    #[TestWith(['language', ['language' => 'english']])]
    #[TestWith(['language', ['language' => 'qq']])]
    #[TestWith(['zone', ['zone' => 'Skerry/Vane']])]
    #[TestWith(['suffix', ['suffix' => 'html']])]
    #[TestWith(['trailingSlash', ['trailingSlash' => 'perhaps']])]
    public function what_cannot_be_is_refused_at_its_field_and_nothing_is_made(string $field, array $given): void
    {
        $refused = $this->make([...['name' => 'New', 'origin' => 'https://new.test'], ...$given])->assertStatus(422);
        self::assertSame($field, explode('.', $refused->json('errors.0.field'))[0]);
        self::assertSame(1, Site::query()->count());
    }

    #[Test]
    public function two_sites_of_one_name_have_keys_of_their_own(): void
    {
        foreach (['https://one.test' => 'paromy', 'https://two.test' => 'paromy-2'] as $origin => $key) {
            $this->make(['name' => 'Паромы', 'origin' => $origin])->assertCreated();
            self::assertSame($origin, Site::query()->where('key', $key)->value('origin'));
        }
    }

    #[Test]
    public function somebody_who_owns_no_site_makes_none(): void
    {
        $this->signed($this->manager)
            ->postJson('http://editor.test/api/v1/sites', ['name' => 'New', 'origin' => 'https://new.test'])
            ->assertForbidden();
    }

    #[Test]
    public function the_command_makes_a_site_with_its_owner_once(): void
    {
        $run = fn (array $more = []): array => [
            Artisan::call('heronstem:make-site', [
                'key' => 'yard',
                '--name' => 'Boatyard',
                '--origin' => 'https://yard.test',
                '--owner' => 'Ada@skerrivane.example',
                ...$more,
            ]),
            trim(Artisan::output()),
        ];
        [$code, $said] = $run();
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Made Boatyard at https://yard.test', $said);
        preg_match('#/account/([0-9a-f]{48})#', $said, $link);
        self::assertSame(
            'ada@skerrivane.example',
            AccountLink::query()->where('token_hash', hash('sha256', $link[1] ?? ''))->firstOrFail()->user->email,
        );
        self::assertSame([0, 'Boatyard is there already, at https://yard.test.'], $run());
        self::assertSame(1, $run(['--origin' => 'https://other.test'])[0]);
        self::assertSame(2, Site::query()->count());
        // What is refused leaves no account behind.
        $people = User::query()->count();
        self::assertSame(1, $run(['key' => 'second', '--origin' => 'https://yard.test', '--owner' => 'tam@skerrivane.example'])[0]);
        self::assertSame($people, User::query()->count());
        // Whoever has an account is its owner with that.
        self::assertSame(0, $run(['key' => 'third', '--origin' => 'https://third.test', '--owner' => 'greta@skerrivane.example'])[0]);
        self::assertStringNotContainsString('/account/', Artisan::output());
    }

    #[Test]
    public function a_site_begins_as_a_copy_of_another_one_or_of_its_structure(): void
    {
        $travel = $this->live('Travel');
        $this->live('Fares', $travel);
        $this->change(['kind' => 'describe', 'page' => $travel, 'summary' => 'How to get here']);
        $this->make(['name' => 'Copy', 'origin' => 'http://copy.test', 'from' => 'ferries'])->assertCreated();
        $this->make(['name' => 'Frame', 'origin' => 'http://frame.test', 'from' => 'ferries', 'part' => 'structure'])->assertCreated();

        $of = static fn (string $key): array => DB::select('select p.address, p.state, p.summary from pages p join sites s on s.id = p.site_id where s.key = ? order by p.address', [$key]);
        self::assertEquals($of('ferries'), $of('copy'));
        self::assertSame([['/travel', 'draft', ''], ['/travel/fares', 'draft', '']], array_map(static fn (object $row): array => array_values((array) $row), $of('frame')));
        foreach (['copy', 'frame'] as $key) {
            self::assertSame([], $this->app->make(\App\Store\Violations::class)->of(Site::query()->where('key', $key)->firstOrFail()));
        }
        $this->make(['name' => 'Another', 'origin' => 'http://another.test', 'from' => 'nowhere'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'from');
    }

    #[Test]
    public function a_removed_site_answers_nowhere_and_comes_back_as_it_was_until_it_is_deleted_for_good(): void
    {
        $this->live('Travel');
        $this->make(['name' => 'Other', 'origin' => 'http://other.test'])->assertCreated();
        $as = fn (string $method, string $path, array $body = []): TestResponse => $this->signed()->json($method, "http://editor.test/api/v1/$path", $body);
        self::assertSame([1, 1], array_slice(array_values(array_intersect_key($as('GET', 'sites/ferries/removal')->assertOk()->json(), ['pages' => 0, 'live' => 0])), 0, 2));
        $as('DELETE', 'sites/ferries', ['name' => 'Something'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'name');

        $left = $as('DELETE', 'sites/ferries', ['name' => 'Ferries'])->assertOk()->json('sites');
        self::assertSame(['other'], array_column($left, 'key'));
        $this->visit('/travel')->assertStatus(421);
        $as('GET', 'sites/ferries/outline')->assertNotFound();
        $this->make(['name' => 'Taker', 'origin' => 'http://ferries.test'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'origin');
        $as('DELETE', 'sites/other', ['name' => 'Other'])->assertUnprocessable();

        self::assertSame(['ferries'], array_column($as('GET', 'removed-sites')->assertOk()->json(), 'key'));
        $as('POST', 'removed-sites/ferries')->assertOk();
        $this->visit('/travel')->assertOk();

        $as('DELETE', 'sites/ferries', ['name' => 'Ferries'])->assertOk();
        $this->travelTo(now()->addDays(31));
        Artisan::call('heronstem:empty-site-bin');
        self::assertSame(['other'], DB::table('sites')->pluck('key')->all());
        self::assertSame(0, DB::table('pages')->count());
    }

    private function make(array $given): TestResponse
    {
        return $this->signed()->postJson('http://editor.test/api/v1/sites', $given);
    }

    private function signed(?User $as = null): self
    {
        $this->app['auth']->forgetGuards();

        return $this->withSession([KnowWho::SIGNED_IN => now()->getTimestamp()])->actingAs(($as ?? $this->owner)->withoutRelations());
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ApplyChanges;
use App\Models\HistoryEntry;
use App\Models\Membership;
use App\Models\Page;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
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
        $this->site = Site::query()->create(['key' => 'ferries', 'name' => 'Ferries', 'origin' => 'http://ferries.test', 'language' => 'en-GB', 'description' => 'Boats to five islands.'])->refresh();
        $this->manager = $this->person('Mairi', Role::Manager);
    }

    protected function person(string $name, Role $role, ?string $branch = null): User
    {
        $user = User::query()->create(['name' => $name, 'email' => strtolower($name).'@skerrivane.example', 'password' => "secret of $name"]);
        Membership::query()->create(['site_id' => $this->site->id, 'user_id' => $user->id, 'role' => $role, 'branch_id' => $branch === null ? null : $this->row($branch)->id]);

        return $user;
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

    /** @param  array<string, mixed>  ...$changes */
    protected function change(array ...$changes): HistoryEntry
    {
        $batch = (new \Heronstem\Core\Structure\ChangeReader($this->site->rules()))->batch($changes);

        return $this->carryOut(...$batch->changes);
    }

    protected function carryOut(Change ...$changes): HistoryEntry
    {
        return $this->app->make(ApplyChanges::class)->apply($this->site, $this->manager, Batch::of(...$changes));
    }

    protected function row(string $page): Page
    {
        return Page::query()->where('ulid', $page)->firstOrFail();
    }

    /** @param  array<string, mixed>  $body */
    protected function api(string $method, string $path, array $body = [], ?User $as = null, array $headers = []): TestResponse
    {
        $this->app['auth']->forgetGuards();

        return $this->actingAs($as ?? $this->manager)->json($method, "http://editor.test/api/v1/sites/ferries/$path", $body, $headers);
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
            DB::select('select ulid, parent_id, path::text, position, name, slug, slug_by_hand, address, state, ever_live, listed from pages where site_id = ? order by ulid', [$this->site->id]),
            DB::select('select key, address, kind, page_id, ever_live from ledger where site_id = ? order by key', [$this->site->id]),
        ];
    }

    protected function assertInvariants(): void
    {
        self::assertSame([], $this->app->make(\App\Store\Violations::class)->of($this->site->refresh()));
    }
}

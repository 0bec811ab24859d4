<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Rights as they are read, set, undone and explained. */
final class RightsApiTest extends AppTestCase
{
    private User $greta;

    private User $isla;

    private string $islands;

    private string $farra;

    protected function setUp(): void
    {
        parent::setUp();
        $this->islands = $this->live('Islands');
        $this->farra = $this->live('Farra', $this->islands);
        $this->greta = $this->person('Greta', Role::OWNER);
        $this->isla = $this->person('Isla', Role::READER);
    }

    #[Test]
    public function the_grid_tells_what_is_said_here_and_what_follows_from_elsewhere(): void
    {
        $this->set(['who' => 'role:reader', 'branch' => $this->islands, 'right' => 'write', 'says' => 'allow']);
        $cells = fn (string $branch): array => array_column(
            $this->api('GET', "rights?branch=$branch", as: $this->greta)
                ->assertOk()
                ->json('rows'),
            null,
            'name',
        );
        self::assertSame(
            ['says' => 'allow', 'may' => true, 'why' => 'Allowed to the role Reader, in Islands.'],
            $cells($this->islands)['Reader']['cells']['write'],
        );
        self::assertSame(
            ['says' => null, 'may' => true, 'why' => 'Allowed to the role Reader, in Islands.'],
            $cells($this->farra)['Isla']['cells']['write'],
        );
        self::assertSame(
            ['says' => null, 'may' => true, 'why' => 'Allowed to the role Reader, on the whole site.'],
            $cells($this->farra)['Reader']['cells']['see'],
        );
        self::assertSame(['says' => null, 'may' => false, 'why' => 'Nothing is said of it anywhere.'], $cells('')['Isla']['cells']['write']);
        self::assertSame(
            [['id' => $this->islands, 'name' => 'Islands', 'address' => '/islands', 'lines' => 1]],
            $this->api('GET', 'rights', as: $this->greta)->json('branches'),
        );
        $this->api('GET', 'rights?branch=none', as: $this->greta)->assertStatus(422)->assertJsonPath('errors.0.field', 'branch');
    }

    #[Test]
    public function what_follows_for_whom_is_shown_before_and_the_history_takes_it_back(): void
    {
        $line = ['who' => 'role:reader', 'branch' => $this->islands, 'right' => 'publish', 'says' => 'allow'];
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-rights', 'lines' => [$line]]]], $this->greta)
            ->assertOk()
            ->assertJsonPath('matters', true)
            ->assertJsonPath('account.counts.access', 1)
            ->assertJsonPath('account.lists.access.0.name', 'Isla')
            ->assertJsonPath('account.lists.access.0.note', 'gets the right “publish” in Islands');
        $entry = $this->set($line);
        self::assertSame('Allowed the role *Reader* to publish in *Islands*', $this->api('GET', "history/$entry")->json('entry.sentence'));
        $draft = $this->draft('Walks', $this->farra);
        $live = ['changes' => [['kind' => 'go-live', 'page' => $draft]]];
        $this->api('POST', 'ripple', $live, $this->isla)->assertOk();
        $this->api('POST', "history/$entry/undo", as: $this->greta)->assertCreated();
        $this->api('POST', 'ripple', $live, $this->isla)->assertForbidden();
        $this->api('GET', "rights/why?person={$this->isla->ulid}&right=publish&page={$this->farra}", as: $this->greta)
            ->assertOk()
            ->assertExactJson(['isYes' => false, 'words' => 'Nothing is said of it anywhere.', 'who' => null, 'branch' => null]);
    }

    #[Test]
    public function a_role_with_its_rights_comes_back_when_its_removal_is_undone(): void
    {
        $role = (string) Str::ulid();
        $this->api(
            'POST',
            'batches',
            ['changes' => [['kind' => 'make-role', 'role' => $role, 'name' => 'Guides', 'like' => 'writer']]],
            $this->greta,
        )->assertCreated();
        $this->set(['who' => "role:$role", 'branch' => $this->islands, 'right' => 'publish', 'says' => 'deny']);
        $before = $this->snapshot();
        $gone = $this->api('POST', 'batches', ['changes' => [['kind' => 'remove-role', 'role' => $role]]], $this->greta)
            ->assertCreated()
            ->json('id');
        self::assertNotEquals($before, $this->snapshot());
        $this->api('POST', "history/$gone/undo", as: $this->greta)->assertCreated();
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function the_command_line_answers_by_its_exit_code(): void
    {
        $may = fn (string $rest): array => [Artisan::call("heronstem:may isla@skerrivane.example $rest --site=ferries"), trim(Artisan::output())];
        $this->say($this->isla, 'write', 'allow', $this->islands);
        self::assertSame([0, 'yes. Allowed to them by name, in Islands.'], $may('write /islands/farra'));
        self::assertSame([1, 'no. Nothing is said of it anywhere.'], $may('write'));
        self::assertSame([2, 'No page has the address /none.'], $may('write /none'));
        self::assertSame(2, $may('fly')[0]);
        self::assertSame(2, Artisan::call('heronstem:may nobody@skerrivane.example write --site=ferries'));
    }

    /** @param  array<string, string|null>  $line */
    private function set(array $line): string
    {
        return (string) $this->api('POST', 'batches', ['changes' => [['kind' => 'set-rights', 'lines' => [$line]]]], $this->greta)
            ->assertCreated()
            ->json('id');
    }
}

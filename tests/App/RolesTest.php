<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** Who may make which change, on a draft and on a page that visitors know. */
final class RolesTest extends AppTestCase
{
    /** @return iterable<string, array{array<string, mixed>, int, int, int}> change to a draft; status for owner, manager, writer */
    public static function onADraft(): iterable
    {
        yield 'rename' => [['kind' => 'rename', 'name' => 'Other'], 201, 201, 201];
        yield 'slug' => [['kind' => 'set-slug', 'slug' => 'other'], 201, 201, 201];
        yield 'move' => [['kind' => 'move', 'place' => ['first' => null]], 201, 201, 201];
        yield 'duplicate' => [['kind' => 'duplicate', 'copy' => '{new}'], 201, 201, 201];
        yield 'send for review' => [['kind' => 'send-for-review', 'note' => ''], 201, 201, 201];
        yield 'bin' => [['kind' => 'put-in-bin'], 201, 201, 201];
        yield 'go live' => [['kind' => 'go-live'], 201, 201, 403];
        yield 'pin' => [['kind' => 'pin', 'address' => '/pinned-{known}'], 201, 201, 403];
        yield 'kind' => [['kind' => 'change-kind', 'to' => 'section'], 201, 201, 201];
        yield 'unlist-page' => [['kind' => 'unlist-page'], 201, 201, 201];
        yield 'tag' => [['kind' => 'tag', 'add' => ['islands']], 201, 201, 201];
        yield 'schedule' => [['kind' => 'schedule', 'from' => '2090-01-01T06:00'], 201, 201, 403];
        yield 'address' => [['kind' => 'add-address', 'address' => '/poster-{known}'], 201, 201, 403];
        yield 'protect' => [['kind' => 'protect'], 201, 422, 422];
        yield 'describe' => [['kind' => 'describe', 'summary' => 'In a sentence.'], 201, 201, 201];
    }

    /** @param  array<string, mixed>  $change */
    #[Test, DataProvider('onADraft')]
    public function a_draft_is_changed_by_those_who_may(array $change, int $owner, int $manager, int $writer): void
    {
        foreach (
            [
                'Greta' => [Role::OWNER, $owner],
                'Mona' => [Role::MANAGER, $manager],
                'Tam' => [Role::WRITER, $writer],
                'Ruaridh' => [Role::READER, 403],
            ] as $name => [$role, $status]
        ) {
            $known = $this->live("Known of $name");
            $draft = $this->draft("Draft of $name", $known);
            $this->apply($change, $draft, $known, $this->person($name, $role))->assertStatus($status);
        }
        $this->assertInvariants();
    }

    /** @return iterable<string, array{array<string, mixed>, int, int}> change to a live page; status for manager, writer */
    public static function onALivePage(): iterable
    {
        yield 'rename' => [['kind' => 'rename', 'name' => 'Other'], 201, 403];
        yield 'slug' => [['kind' => 'set-slug', 'slug' => 'other'], 201, 403];
        yield 'move' => [['kind' => 'move', 'place' => ['last' => '{known}']], 201, 403];
        yield 'duplicate' => [['kind' => 'duplicate', 'copy' => '{new}'], 201, 201];
        yield 'bin' => [['kind' => 'put-in-bin'], 201, 403];
        yield 'take offline' => [['kind' => 'take-offline'], 201, 403];
        yield 'start page' => [['kind' => 'set-start-page'], 201, 403];
        yield 'describe' => [['kind' => 'describe', 'heading' => 'Other'], 201, 403];
    }

    /** @param  array<string, mixed>  $change */
    #[Test, DataProvider('onALivePage')]
    public function what_visitors_know_is_a_managers_to_change(array $change, int $manager, int $writer): void
    {
        foreach (['Tam' => [Role::WRITER, $writer], 'Mona' => [Role::MANAGER, $manager]] as $name => [$role, $status]) {
            $page = $this->live("Page of $name");
            $this->apply($change, $page, $this->live("Known of $name"), $this->person($name, $role))->assertStatus($status);
        }
        $this->assertInvariants();
    }

    #[Test]
    public function a_writer_of_one_branch_stays_in_it_with_every_change(): void
    {
        $islands = $this->live('Islands');
        $inside = $this->draft('Walks', $islands);
        $help = $this->live('Help');
        $outside = $this->draft('Questions', $help);
        $isla = $this->person('Isla', Role::WRITER, $islands);
        foreach (['duplicate', 'send-for-review', 'put-in-bin'] as $kind) {
            $change = ['kind' => $kind, ...$kind === 'duplicate' ? ['copy' => '{new}'] : []];
            $this->apply($change, $outside, $help, $isla)->assertForbidden();
        }
        $this->apply(['kind' => 'duplicate', 'copy' => '{new}', 'place' => ['last' => $help]], $inside, $help, $isla)->assertForbidden();
        $this->apply(['kind' => 'duplicate', 'copy' => '{new}'], $inside, $help, $isla)->assertCreated();
        $this->apply(['kind' => 'put-in-bin'], $inside, $help, $isla)->assertCreated();
        $this->api('GET', 'history-thinning?days=30', as: $isla)->assertForbidden();
    }

    #[Test]
    public function a_writer_is_offered_the_ways_out_that_are_theirs_and_a_manager_all_of_them(): void
    {
        $this->live('Times');
        $known = $this->live('Walks');
        $mine = $this->draft('Ideas');
        $other = $this->draft('Plans');
        $this->change(['kind' => 'set-slug', 'page' => $known, 'slug' => 'hikes']);
        $writer = $this->person('Tam', Role::WRITER);
        $wanted = static fn (string $slug): array => ['kind' => 'set-slug', 'page' => $mine, 'slug' => $slug];
        $ways = fn (string $slug, User $as): array => array_column(
            $this->api('POST', 'ripple', ['changes' => [$wanted($slug)]], as: $as)
                ->assertOk()
                ->json('conflicts.0.waysOut'),
            'kind',
        );
        foreach (['times', 'walks', 'plans'] as $slug) {
            $offered = $ways($slug, $writer);
            self::assertSame([], array_diff($offered, $ways($slug, $this->manager)), $slug);
            self::assertContains('free-slug', $offered, $slug);
            self::assertContains('choose-another', $offered, $slug);
            self::assertSame(
                $offered,
                array_column($this->api('POST', 'address', $wanted($slug), as: $writer)->assertOk()->json('conflict.waysOut'), 'kind'),
                $slug,
            );
            foreach ($this->api('POST', 'ripple', ['changes' => [$wanted($slug)]], as: $writer)->json('conflicts.0.waysOut') as $way) {
                $this->api(
                    'POST',
                    'ripple',
                    ['changes' => [$wanted($slug), ...$way['changes']], 'decisions' => $way['decisions']],
                    as: $writer,
                )->assertOk();
            }
        }
        self::assertNotSame($ways('walks', $writer), $ways('walks', $this->manager), 'What visitors know gives way for a manager alone.');
        self::assertContains('swap', $ways('plans', $writer), 'Drafts trade places.');
        self::assertNotContains('swap', $ways('times', $writer));
        $this->api('GET', "pages/$other")->assertOk();
        $this->api('POST', 'address', $wanted('times'), as: $this->person('Ruaridh', Role::READER))
            ->assertOk()
            ->assertJsonPath('conflict.held.name', 'Times');
    }

    #[Test]
    public function a_branch_that_holds_a_page_visitors_know_is_no_writers_to_retire(): void
    {
        $draft = $this->draft('Drafts');
        $this->live('Known', $draft);
        $tam = $this->person('Tam', Role::WRITER);
        $this->apply(['kind' => 'put-in-bin'], $draft, $draft, $tam)
            ->assertForbidden()
            ->assertJsonPath('detail', '“Known”: this takes the right “retire”, which nothing gives you there. Ask an owner of the site.');
    }

    #[Test]
    public function somebody_whose_branch_is_emptied_reads_and_writes_no_more(): void
    {
        $branch = $this->draft('Campaign');
        $tam = $this->person('Tam', Role::WRITER, $branch);
        $this->change(['kind' => 'put-in-bin', 'page' => $branch]);
        $gone = $this->change(['kind' => 'delete-for-good', 'page' => $branch])->ulid;
        $other = $this->draft('Other');
        $this->apply(['kind' => 'rename', 'name' => 'X'], $other, '', $tam)->assertForbidden();
        // The branch that comes back is theirs again; a page that only bears its identity is not.
        $this->api('POST', "history/$gone/undo")->assertCreated();
        $this->change(['kind' => 'bring-back', 'page' => $branch]);
        $this->apply(['kind' => 'rename', 'name' => 'X'], $branch, '', $tam)->assertCreated();
        $this->change(['kind' => 'put-in-bin', 'page' => $branch]);
        $this->change(['kind' => 'delete-for-good', 'page' => $branch]);
        $this->change(['kind' => 'make', 'page' => $branch, 'name' => 'Campaign', 'place' => ['last' => null]]);
        $this->apply(['kind' => 'rename', 'name' => 'X'], $branch, '', $tam)->assertForbidden();
    }

    #[Test]
    public function somebody_with_one_right_does_that_and_nothing_beside_it(): void
    {
        $page = $this->live('Help');
        $sam = $this->person('Sam', Role::READER);
        $this->say($sam, 'search', 'allow');
        $noindex = ['kind' => 'set-search', 'index' => false];
        $this->apply($noindex, $page, '', $sam)->assertCreated();
        $this->apply(['kind' => 'rename', 'name' => 'Aid'], $page, '', $sam)->assertForbidden();
        $this->api('PATCH', "pages/$page", ['summary' => 'x'], $sam, ['If-Match' => '*'])->assertForbidden();
        $this->api('PUT', "pages/$page/draft", ['document' => ['type' => 'doc', 'content' => []], 'basedOn' => 0], $sam)->assertForbidden();
        $this->api('POST', 'films', ['address' => 'https://films.example/watch/1'], $sam)->assertForbidden();
        $this->api('POST', 'audit', as: $sam)->assertNoContent();
        $this->api('PATCH', 'names', ['name' => 'x'], $sam)->assertForbidden();
        $this->api('GET', "pages/$page", as: $sam)->assertJsonPath('rights', ['see', 'search']);
        $this->say($sam, 'search', 'deny', $page);
        $this->apply(['kind' => 'set-search', 'index' => true], $page, '', $sam)->assertForbidden();
        $this->api('GET', "pages/$page", as: $sam)->assertJsonPath('rights', ['see']);
    }

    #[Test]
    public function the_people_of_a_site_are_listed_for_those_who_see_it(): void
    {
        $this->person('Greta', Role::OWNER);
        self::assertSame(['Greta', 'Mairi'], array_column($this->api('GET', 'people')->assertOk()->json(), 'name'));
        $stranger = User::query()->create(['name' => 'Nobody', 'email' => 'nobody@skerrivane.example', 'password' => 'secret of nobody']);
        foreach (['people', 'bin', 'structure', 'history', 'filter?text=a', 'filter/pages?text=a'] as $path) {
            $this->api('GET', $path, as: $stranger)->assertForbidden();
        }
    }

    /** @param  array<string, mixed>  $change */
    private function apply(array $change, string $page, string $known, User $as): \Illuminate\Testing\TestResponse
    {
        $written = json_decode(
            str_replace(['{known}', '{new}'], [$known, (string) Str::ulid()], json_encode([...$change, 'page' => $page], JSON_THROW_ON_ERROR)),
            true,
        );

        return $this->api('POST', 'batches', ['changes' => [$written], 'defaults' => true], $as);
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\HistoryEntry;
use App\Models\Page;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

final class BatchApiTest extends AppTestCase
{
    #[Test]
    public function a_ripple_is_shown_and_nothing_is_written(): void
    {
        [$help, $times, $travel] = $this->tree();
        $before = $this->snapshot();
        $this->api('POST', 'ripple', $this->move($times, $travel))
            ->assertOk()
            ->assertJsonPath('account.counts', [
                'addresses' => 2,
                'redirectsWritten' => 2,
                'redirectsDropped' => 0,
                'gone' => 0,
                'live' => 0,
                'offline' => 0,
                'bin' => 0,
                'menu' => 1,
                'redirects' => 0,
                'rawLinks' => 0,
                'copies' => 0,
                'titles' => 0,
                'indexing' => 0,
                'canonicals' => 0,
                'visitors' => 0,
                'access' => 0,
                'linksFollow' => 0,
                'linksBreak' => 0,
                'linksClosed' => 0,
                'sitemap' => 2,
            ])
            ->assertJsonPath('decisions', 0)
            ->assertJsonPath('account.lists.addresses.0', [
                'page' => $times,
                'name' => 'Times',
                'from' => '/help/times',
                'to' => '/travel/times',
                'note' => '',
            ])
            ->assertJsonPath('matters', true)
            ->assertJsonPath('canBeApplied', true);
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function a_batch_is_applied_in_one_step_and_leaves_an_entry(): void
    {
        [, $times, $travel] = $this->tree();
        $digest = $this->api('POST', 'ripple', $this->move($times, $travel))->json('digest');
        $this->api('POST', 'batches', [...$this->move($times, $travel), 'digest' => $digest, 'note' => 'The bar was crowded.'])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Moved *Times* under *Travel*: 2 addresses, 2 redirects')
            ->assertJsonPath('by', 'Mairi')
            ->assertJsonPath('note', 'The bar was crowded.')
            ->assertJsonPath('counts.redirectsWritten', 2);
        $this->visit('/help/times/summer')->assertStatus(301)->assertHeader('Location', '/travel/times/summer');
        $this->visit('/travel/times/summer')->assertOk();
        $this->assertInvariants();
    }

    #[Test]
    public function a_ripple_that_is_no_longer_what_was_seen_is_shown_again_instead_of_applied(): void
    {
        [$help, $times, $travel] = $this->tree();
        $digest = $this->api('POST', 'ripple', $this->move($times, $travel))->json('digest');
        $this->change(['kind' => 'set-slug', 'page' => $travel, 'slug' => 'voyage']);
        $before = $this->snapshot();
        $this->api('POST', 'batches', [...$this->move($times, $travel), 'digest' => $digest])
            ->assertStatus(409)
            ->assertHeader('Content-Type', 'application/problem+json')
            ->assertJsonPath('ripple.account.lists.addresses.0.to', '/voyage/times');
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function what_is_so_already_is_said_and_leaves_no_entry(): void
    {
        $help = $this->live('Help');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'go-live', 'page' => $help]]])
            ->assertStatus(422)
            ->assertJsonPath('detail', '“Help” is live already.');
        $this->api('GET', 'history')->assertJsonCount(2);
    }

    #[Test]
    public function an_unrelated_change_meanwhile_does_not_stand_in_the_way(): void
    {
        [, $times, $travel] = $this->tree();
        $digest = $this->api('POST', 'ripple', $this->move($times, $travel))->json('digest');
        $this->draft('Elsewhere');
        $this->api('POST', 'batches', [...$this->move($times, $travel), 'digest' => $digest])->assertCreated();
    }

    #[Test]
    public function an_open_conflict_is_refused_with_its_ways_out_and_one_of_them_goes_through(): void
    {
        [$help] = $this->tree();
        $page = (string) Str::ulid();
        $make = ['kind' => 'make', 'page' => $page, 'name' => 'Times', 'place' => ['last' => $help]];
        $conflict = $this->api('POST', 'batches', ['changes' => [$make]])
            ->assertStatus(409)
            ->json('ripple.conflicts.0');
        self::assertSame(
            ['/help/times', 'page', 'Times', 'live'],
            [$conflict['address'], $conflict['held']['kind'], $conflict['held']['name'], $conflict['held']['state']],
        );
        self::assertNotNull($conflict['held']['since']);
        self::assertSame('times-2', $conflict['waysOut'][0]['slug']);
        $this->api('POST', 'batches', ['changes' => [$make, ...$conflict['waysOut'][0]['changes']]])->assertCreated();
        self::assertSame('/help/times-2', $this->row($page)->address);
    }

    #[Test]
    public function a_redirect_gives_way_by_decision(): void
    {
        [$help, $times, $travel] = $this->tree();
        $this->change($this->move($times, $travel)['changes'][0]);
        $make = ['kind' => 'make', 'page' => (string) Str::ulid(), 'name' => 'Times', 'place' => ['last' => $help]];
        $way = $this->api('POST', 'ripple', ['changes' => [$make]])->json('conflicts.0.waysOut.0');
        self::assertSame('replace-redirect', $way['kind']);
        $this->api('POST', 'batches', ['changes' => [$make], 'decisions' => $way['decisions']])->assertCreated();
        $this->assertInvariants();
    }

    #[Test]
    public function undoing_restores_pages_and_ledger_exactly_and_can_be_undone(): void
    {
        [, $times, $travel] = $this->tree();
        $before = $this->snapshot();
        $entry = $this->api('POST', 'batches', $this->move($times, $travel))->json('id');
        $after = $this->snapshot();
        $this->api('POST', "history/$entry/ripple")
            ->assertOk()
            ->assertJsonPath('account.counts.redirectsDropped', 2);
        $back = $this->api('POST', "history/$entry/undo")
            ->assertCreated()
            ->assertJsonPath('undoes', true)
            ->json('id');
        self::assertEquals($before, $this->snapshot());
        $this->api('POST', "history/$entry/undo")
            ->assertStatus(422)
            ->assertJsonPath('detail', 'This has been undone already.');
        $this->api('POST', "history/$back/undo")->assertCreated();
        self::assertEquals($after, $this->snapshot());
        $this->assertInvariants();
    }

    #[Test]
    public function a_page_whose_making_is_undone_and_redone_has_its_words_still(): void
    {
        $page = (string) Str::ulid();
        $entry = $this->api('POST', 'batches', [
            'changes' => [['kind' => 'make', 'page' => $page, 'name' => 'New', 'place' => ['last' => null]]],
        ])->json('id');
        $words = [
            'version' => 1,
            'type' => 'doc',
            'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Typed with care.']]]],
        ];
        $this->api('PUT', "pages/$page/content", ['document' => $words], headers: ['If-Match' => '0'])->assertOk();
        $back = $this->api('POST', "history/$entry/undo")
            ->assertCreated()
            ->json('id');
        self::assertFalse(Page::query()->where('ulid', $page)->exists());
        $this->api('POST', "history/$back/undo")->assertCreated();
        self::assertEquals($words, $this->api('GET', "pages/$page/content")->json('document'));
    }

    #[Test]
    public function the_history_lists_what_was_applied_newest_first(): void
    {
        $this->live('Help');
        $this->api('GET', 'history')->assertOk()->assertJsonPath('0.sentence', 'Put *Help* live')->assertJsonPath('1.sentence', 'Made *Help*');
        $last = $this->api('GET', 'history')->json('0.id');
        $this->api('GET', "history?before=$last")->assertJsonCount(1);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function refusedBatches(): iterable
    {
        $page = '01J00000000000000000000001';
        yield 'nothing' => [['changes' => []], 'changes', 'contains no change'];
        yield 'no list' => [['changes' => 'all'], 'changes', 'a list'];
        yield 'unknown kind' => [['changes' => [['kind' => 'explode', 'page' => $page]]], 'changes.0.kind', 'one of add-address'];
        yield 'no object' => [['changes' => ['x']], 'changes.0.kind', 'says its kind'];
        yield 'no identity' => [['changes' => [['kind' => 'go-live', 'page' => 'x']]], 'changes.0.page', '26 letters'];
        yield 'unknown page' => [['changes' => [['kind' => 'go-live', 'page' => $page]]], 'changes.0.page', 'no page'];
        yield 'blank name' => [
            ['changes' => [['kind' => 'make', 'page' => $page, 'name' => " \n ", 'place' => ['last' => null]]]],
            'changes.0.name',
            'blank',
        ];
        yield 'long name' => [
            ['changes' => [['kind' => 'make', 'page' => $page, 'name' => str_repeat('a', 201), 'place' => ['last' => null]]]],
            'changes.0.name',
            '200',
        ];
        yield 'no place' => [['changes' => [['kind' => 'make', 'page' => $page, 'name' => 'A']]], 'changes.0.place', 'place is one of'];
        yield 'two places' => [
            ['changes' => [['kind' => 'make', 'page' => $page, 'name' => 'A', 'place' => ['last' => null, 'first' => null]]]],
            'changes.0.place',
            'place is one of',
        ];
        yield 'odd place' => [
            ['changes' => [['kind' => 'make', 'page' => $page, 'name' => 'A', 'place' => ['under' => null]]]],
            'changes.0.place',
            'last, first, before or after',
        ];
        yield 'place beside nothing' => [
            ['changes' => [['kind' => 'make', 'page' => $page, 'name' => 'A', 'place' => ['after' => null]]]],
            'changes.0.place',
            '26 letters',
        ];
        yield 'bad slug' => [
            ['changes' => [['kind' => 'make', 'page' => $page, 'name' => 'A', 'slug' => 'a/b', 'place' => ['last' => null]]]],
            'changes.0.slug',
            'no slash',
        ];
        yield 'slug no text' => [['changes' => [['kind' => 'set-slug', 'page' => $page, 'slug' => ['a']]]], 'changes.0.slug', 'a text'];
        yield 'odd decision' => [
            ['changes' => [['kind' => 'go-live', 'page' => $page]], 'decisions' => [['do' => 'it']]],
            'decisions.0.kind',
            'give-way',
        ];
    }

    /** @param  array<string, mixed>  $body */
    #[Test, DataProvider('refusedBatches')]
    public function what_cannot_be_done_names_the_field_and_the_reason(array $body, string $field, string $reason): void
    {
        foreach (['ripple', 'batches'] as $path) {
            $errors = $this->api('POST', $path, $body)->assertStatus(422)->json('errors');
            self::assertSame($field, $errors[0]['field']);
            self::assertStringContainsString($reason, $errors[0]['reason']);
        }
    }

    #[Test]
    public function people_do_what_their_role_allows_and_are_told_otherwise(): void
    {
        [$help, $times, $travel] = $this->tree();
        $reader = $this->person('Ruaridh', Role::READER);
        $writer = $this->person('Isla', Role::WRITER, $travel);
        $owner = $this->person('Greta', Role::OWNER);
        $stranger = \App\Models\User::query()->create(['name' => 'Nobody', 'email' => 'nobody@skerrivane.example', 'password' => 'x']);
        $make = fn (?string $parent): array => [
            'changes' => [['kind' => 'make', 'page' => (string) Str::ulid(), 'name' => 'A page '.Str::random(4), 'place' => ['last' => $parent]]],
        ];

        $this->api('GET', 'outline', as: $stranger)->assertForbidden();
        $this->api('GET', 'outline', as: $reader)->assertOk();
        $this->api('POST', 'batches', $make(null), $reader)
            ->assertForbidden()
            ->assertJsonPath('detail', 'You can look at this site, not change it. Ask its owner for another role.');
        $this->api('POST', 'batches', $make($travel), $writer)->assertCreated();
        $this->api('POST', 'batches', $make($help), $writer)->assertForbidden();
        $this->api('POST', 'batches', $make(null), $writer)->assertForbidden();
        $this->api('POST', 'batches', $this->move($travel, $help), $writer)->assertForbidden();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'go-live', 'page' => $this->draft('Draft', $travel)]]], $writer)->assertForbidden();
        $this->api('PUT', "pages/$times/draft", ['document' => [], 'basedOn' => 0], $writer)->assertForbidden();
        $this->api('PUT', "pages/$travel/draft", ['document' => ['type' => 'doc'], 'basedOn' => 0], $writer)->assertNoContent();
        $entry = HistoryEntry::query()->where('user_id', $this->manager->id)->whereRaw("'go-live' = any(kinds)")->firstOrFail();
        $this->api('POST', "history/{$entry->ulid}/undo", as: $writer)->assertForbidden();
        $this->api('POST', 'batches', $make(null), $owner)->assertCreated();
    }

    #[Test]
    public function a_page_of_another_site_is_out_of_reach(): void
    {
        $other = \App\Models\Site::query()
            ->create(['key' => 'yard', 'name' => 'Yard', 'origin' => 'http://yard.test'])
            ->refresh();
        [$mine, $this->site] = [$this->site, $other];
        $theirs = $this->live('Repairs');
        $this->site = $mine;
        $entry = HistoryEntry::query()->where('site_id', $other->id)->firstOrFail()->ulid;
        foreach (["pages/$theirs", "pages/$theirs/content", "pages/$theirs/search"] as $path) {
            $this->api('GET', $path)->assertNotFound();
        }
        $this->api('PATCH', "pages/$theirs", ['summary' => 'x'], headers: ['If-Match' => '*'])->assertNotFound();
        $this->api('PUT', "pages/$theirs/draft", ['document' => ['type' => 'doc'], 'basedOn' => 0])->assertNotFound();
        $this->api('POST', "history/$entry/ripple")->assertNotFound();
        $this->api('POST', "history/$entry/undo")->assertNotFound();
        $this->actingAs($this->manager)
            ->get("http://editor.test/preview/ferries/$theirs")
            ->assertNotFound();
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'take-offline', 'page' => $theirs]]])->assertStatus(422);
        $here = $this->live('Here');
        $this->api('POST', 'ripple', $this->move($here, $theirs))->assertStatus(422);
        $this->visit('/repairs')->assertNotFound();
    }

    #[Test]
    public function random_batches_on_the_stored_site_keep_every_invariant_and_undo_exactly(): void
    {
        mt_srand(20261125);
        $this->tree();
        $applied = 0;
        for ($i = 0; $i < 120; $i++) {
            $ids = Page::query()->where('site_id', $this->site->id)->pluck('ulid')->all();
            $pick = fn (): string => $ids[mt_rand(0, count($ids) - 1)];
            $word = ['Summer', 'Fares', 'Help', 'times', 'Überfahrt', 'new'][mt_rand(0, 5)];
            $place = [['last' => $pick()], ['first' => $pick()], ['before' => $pick()], ['after' => $pick()], ['last' => null]][mt_rand(0, 4)];
            $change = fn (): array => match (mt_rand(0, 6)) {
                0 => ['kind' => 'make', 'page' => (string) Str::ulid(), 'name' => $word, 'place' => $place],
                1 => ['kind' => 'rename', 'page' => $pick(), 'name' => $word],
                2 => ['kind' => 'set-slug', 'page' => $pick(), 'slug' => $word],
                3, 4 => ['kind' => 'move', 'page' => $pick(), 'place' => $place],
                5 => ['kind' => 'go-live', 'page' => $pick()],
                default => ['kind' => 'take-offline', 'page' => $pick()],
            };
            $before = $this->snapshot();
            $answer = $this->api('POST', 'batches', ['changes' => mt_rand(0, 2) > 0 ? [$change()] : [$change(), $change()]]);
            self::assertContains($answer->status(), [201, 409, 422], (string) $answer->getContent());
            if ($answer->status() !== 201) {
                self::assertEquals($before, $this->snapshot());

                continue;
            }
            $applied++;
            $this->assertInvariants();
            if (mt_rand(0, 2) === 0) {
                $after = $this->snapshot();
                $back = $this->api('POST', 'history/'.$answer->json('id').'/undo')
                    ->assertCreated()
                    ->json('id');
                self::assertEquals($this->withoutIds($before), $this->withoutIds($this->snapshot()));
                $this->assertInvariants();
                $this->api('POST', "history/$back/undo")->assertCreated();
                self::assertEquals($this->withoutIds($after), $this->withoutIds($this->snapshot()));
            }
        }
        self::assertGreaterThan(50, $applied);
    }

    /** A page made anew has another number inside, and the same identity outside. */
    private function withoutIds(array $snapshot): array
    {
        return array_map(
            fn (array $rows): array => array_map(
                fn (mixed $row): mixed => ! is_object($row) ? $row : array_diff_key((array) $row, ['parent_id' => 0, 'path' => 0, 'page_id' => 0]),
                $rows,
            ),
            $snapshot,
        );
    }

    /** @return array{string, string, string} */
    private function tree(): array
    {
        $help = $this->live('Help');
        $times = $this->live('Times', $help);
        $this->live('Summer', $times);

        return [$help, $times, $this->live('Travel')];
    }

    /** @return array{changes: list<array<string, mixed>>} */
    private function move(string $page, ?string $parent): array
    {
        return ['changes' => [['kind' => 'move', 'page' => $page, 'place' => ['last' => $parent]]]];
    }
}

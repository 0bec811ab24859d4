<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ApplyChanges;
use App\Desk\Files\UploadFile;
use App\Desk\Rights;
use App\Desk\UndoEntry;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeInput;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\ReplaceText;
use Heronstem\Core\Change\SetAddressRules;
use Heronstem\Core\Refusal;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\Core\Memory\RandomChanges;

/** Every change to the structure through the API, and what visitors get after it. */
final class StructureApiTest extends AppTestCase
{
    #[Test]
    public function a_branch_goes_into_the_bin_once_it_is_decided_what_its_addresses_answer_and_comes_back(): void
    {
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        $this->live('Summer', $times);
        $before = $this->snapshot();
        $bin = ['changes' => [['kind' => 'put-in-bin', 'page' => $times]]];
        $ripple = $this->api('POST', 'ripple', $bin)
            ->assertOk()
            ->assertJsonPath('canBeApplied', false)
            ->assertJsonPath('decisions', 2)
            ->assertJsonPath('account.counts.bin', 2);
        self::assertSame(['children-of', 'retired'], array_column($ripple->json('questions'), 'kind'));
        $this->api('POST', 'batches', $bin)->assertStatus(409)->assertJsonPath('ripple.questions.1.default', 'parent');
        $entry = $this->api('POST', 'batches', [...$bin, 'defaults' => true])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Put *Times* in the bin with 1 page below: 2 redirects')
            ->json('id');
        $this->visit('/travel/times/summer')->assertStatus(301)->assertHeader('Location', '/travel');
        $this->api('GET', 'bin')
            ->assertOk()
            ->assertJsonCount(1)
            ->assertJsonPath('0.along', 1)
            ->assertJsonPath('0.parentThere', true)
            ->assertJsonPath('0.by', 'Mairi');
        $this->api('GET', 'outline')
            ->assertJsonPath('counts.bin', 1)
            ->assertJsonPath('counts.pages', 1)
            ->assertJsonPath('branches.0.rows.0.name', 'Travel')
            ->assertJsonMissingPath('branches.0.rows.0.children');
        $this->api('GET', 'filter?text=summer')->assertJsonPath('total', 0);
        $this->assertInvariants();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'bring-back', 'page' => $times]]])->assertCreated();
        self::assertEquals($before, $this->snapshot());
        $this->api('POST', 'batches', [
            ...$bin,
            'decisions' => [
                ['kind' => 'children-of', 'page' => $times, 'answer' => 'along'],
                ['kind' => 'retired', 'page' => $times, 'answer' => 'gone'],
            ],
        ])->assertCreated();
        $this->visit('/travel/times/summer')->assertStatus(410)->assertSee('taken down');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'delete-for-good', 'page' => $times]]])->assertCreated();
        $this->visit('/travel/times/summer')->assertStatus(410);
        $this->assertInvariants();
        $this->api('POST', "history/$entry/undo")->assertStatus(422);
    }

    #[Test]
    public function an_emptied_page_whose_emptying_is_undone_has_its_words_and_versions_again(): void
    {
        $page = $this->draft('Notes');
        $this->write($page, 'First words');
        $this->write($page, 'Second words');
        $this->change(['kind' => 'put-in-bin', 'page' => $page]);
        $before = $this->snapshot();
        $entry = $this->api('POST', 'batches', ['changes' => [['kind' => 'delete-for-good', 'page' => $page]]])
            ->assertCreated()
            ->json('id');
        self::assertNull(DB::table('pages')->where('ulid', $page)->first());
        $this->api('POST', "history/$entry/undo")->assertCreated();
        self::assertEquals($before, $this->snapshot());
        $this->api('GET', "pages/$page/versions")
            ->assertOk()
            ->assertJsonCount(2)
            ->assertJsonPath('0.number', 2);
    }

    #[Test]
    public function links_inside_a_duplicated_branch_point_into_the_copy_and_others_stay(): void
    {
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        $other = $this->live('Other');
        $this->api(
            'PUT',
            "pages/$times/content",
            [
                'document' => [
                    'type' => 'doc',
                    'content' => [
                        [
                            'type' => 'paragraph',
                            'content' => [
                                ['type' => 'text', 'text' => 'up', 'marks' => [['type' => 'link', 'attrs' => ['page' => $travel]]]],
                                ['type' => 'text', 'text' => 'away', 'marks' => [['type' => 'link', 'attrs' => ['page' => $other]]]],
                            ],
                        ],
                    ],
                ],
            ],
            headers: ['If-Match' => '0'],
        )->assertOk();
        $copy = (string) Str::ulid();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'duplicate', 'page' => $travel, 'copy' => $copy, 'scope' => 'branch']]])
            ->assertCreated()
            ->assertJsonPath('counts.copies', 2);
        $inner = DB::table('pages')->where('parent_id', $this->row($copy)->id)->sole();
        self::assertSame(['draft', '/travel-copy/times'], [$inner->state, $inner->address]);
        self::assertSame([$copy, $other], PageContent::document(PageContent::query()->find($inner->id))->linkedPages());
        $this->api('GET', "pages/{$inner->ulid}/versions")->assertJsonCount(1);
        $this->assertInvariants();
    }

    #[Test]
    public function sections_pointers_and_downloads_answer_for_what_they_are(): void
    {
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        $file = $this->app->make(UploadFile::class)->upload($this->site, $this->manager, 'Fares 2027.csv', "from,to,price\nA,B,4\n");
        $this->change(['kind' => 'change-kind', 'page' => $travel, 'to' => 'section']);
        $this->visit('/travel?day=1')->assertStatus(302)->assertHeader('Location', '/travel/times?day=1');
        $list = $this->live('List');
        $this->api('POST', 'batches', [
            'changes' => [['kind' => 'change-kind', 'page' => $list, 'to' => 'download', 'leadsTo' => ['file' => (string) Str::ulid()]]],
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.leadsTo');
        $this->change(['kind' => 'change-kind', 'page' => $list, 'to' => 'download', 'leadsTo' => ['file' => $file->ulid]]);
        $this->visit('/list')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8')->assertSee('from,to,price');
        $away = $this->live('Away');
        $this->change(['kind' => 'change-kind', 'page' => $away, 'to' => 'pointer', 'leadsTo' => ['url' => 'https://harbour.example/tides']]);
        $this->visit('/away')->assertStatus(302)->assertHeader('Location', 'https://harbour.example/tides');
        $this->visit('/travel/times')->assertOk()->assertSee('https://harbour.example/tides');
        $this->visit('/sitemap.xml')->assertOk();
        $this->api('GET', 'filter?kind=pointer,download')
            ->assertJsonPath('total', 2)
            ->assertJsonPath('rows.0.leadsTo', $file->name)
            ->assertJsonPath('rows.1.leadsTo', 'https://harbour.example/tides');
    }

    #[Test]
    public function a_page_is_there_from_its_moment_to_its_moment_before_and_after_the_schedule_is_carried_out(): void
    {
        $home = $this->live('Home');
        $season = $this->draft('Season');
        $this->write($season, 'Boats every hour');
        $this->site->update(['zone' => 'Europe/London']);
        Carbon::setTestNow('2027-04-01T12:00:00Z');
        $this->api('POST', 'batches', [
            'changes' => [['kind' => 'schedule', 'page' => $season, 'from' => '2027-05-03T06:00', 'until' => '2027-10-01']],
        ])->assertCreated();
        $this->api('GET', "pages/$season")
            ->assertJsonPath('from', '2027-05-03T05:00:00Z')
            ->assertJsonPath('until', '2027-09-30T23:00:00Z');
        $this->visit('/season')->assertNotFound();
        // The database has a clock of its own: bring the moments to it.
        DB::update("update pages set from_at = now() - interval '1 second', until_at = now() + interval '1 day' where ulid = ?", [$season]);
        $this->visit('/season')->assertOk()->assertSee('Boats every hour');
        Carbon::setTestNow();
        Cache::flush();
        $this->visit('/home')->assertSee('Season');
        self::assertSame(1, $this->app->make(ApplyChanges::class)->carryOutSchedule($this->site));
        self::assertSame(['live', true], [$this->row($season)->state->value, $this->row($season)->ever_live]);
        $this->visit('/season')->assertOk()->assertSee('Boats every hour');
        $this->api('GET', 'history?by=schedule')->assertJsonCount(1)->assertJsonPath('0.sentence', 'As scheduled, *Season* went live');
        DB::update("update pages set until_at = now() - interval '1 second' where ulid = ?", [$season]);
        $this->visit('/season')->assertNotFound();
        $this->live('Any');
        self::assertSame('offline', $this->row($season)->state->value);
        self::assertSame(0, $this->app->make(ApplyChanges::class)->carryOutSchedule($this->site));
        $this->assertInvariants();
    }

    #[Test]
    public function one_change_is_made_to_everything_a_filter_shows(): void
    {
        $travel = $this->live('Travel');
        foreach (['Fares one', 'Fares two', 'Other'] as $name) {
            $this->draft($name, $travel);
        }
        $this->api('GET', 'filter?text=fares&state=draft')
            ->assertJsonPath('total', 2)
            ->assertJsonPath('facets.state', ['draft' => 2])
            ->assertJsonPath('facets.kind', ['page' => 2]);
        $pages = $this->api('GET', 'filter/pages?text=fares&state=draft')->assertOk()->json();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'go-live', 'pages' => $pages]]])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Put 2 pages live');
        $this->api('GET', 'filter?state=live')->assertJsonPath('total', 3);
    }

    #[Test]
    public function the_history_is_narrowed_opened_listed_whole_and_thinned(): void
    {
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        $greta = $this->person('Greta', Role::OWNER);
        $entry = $this->api(
            'POST',
            'batches',
            ['changes' => [['kind' => 'set-slug', 'page' => $travel, 'slug' => 'voyage']], 'note' => 'The board wants it'],
            $greta,
        )
            ->assertCreated()
            ->json('id');
        $this->api('GET', "history?by={$greta->ulid}")
            ->assertJsonCount(1)
            ->assertJsonPath('0.note', 'The board wants it');
        $this->api('GET', "history?page=$times&kind=set-slug")
            ->assertJsonCount(1)
            ->assertJsonPath('0.id', $entry);
        $this->api('GET', 'history?text=board')->assertJsonCount(1);
        $this->api('GET', 'history?from=2031-01-01')->assertJsonCount(0);
        $this->api('GET', 'history?from=soon')->assertStatus(422);
        $this->api('GET', "history/$entry")
            ->assertOk()
            ->assertJsonPath('ripple.counts.addresses', 2)
            ->assertJsonPath('ripple.lists.addresses.1.to', '/voyage/times');
        $this->api('GET', "history/$entry/rows/addresses?text=times")
            ->assertJsonPath('total', 1)
            ->assertJsonPath('rows.0.from', '/travel/times');
        $csv = $this->api('GET', "history/$entry/rows/redirectsWritten?format=csv")
            ->assertOk()
            ->streamedContent();
        self::assertSame(
            ["name,from,to,note,page\r", "Times,/travel/times,/voyage/times,,$times\r"],
            [explode("\n", $csv)[0], explode("\n", $csv)[2]],
        );
        DB::update("update history set created_at = now() - interval '400 days' where ulid = ?", [$entry]);
        $this->api('POST', 'history-thinning', ['days' => 3])->assertStatus(422);
        $this->api('GET', 'history-thinning?days=365')->assertJsonPath('entries', 1);
        $ledger = $this->snapshot()[1];
        $this->api('POST', 'history-thinning', ['days' => 365])
            ->assertOk()
            ->assertJsonPath('entries', 1);
        self::assertEquals($ledger, $this->snapshot()[1]);
        $this->api('GET', "history/$entry")
            ->assertJsonPath('entry.thinned', true)
            ->assertJsonPath('ripple', null);
        $this->api('POST', "history/$entry/undo")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'entry');
    }

    #[Test]
    public function several_changes_and_everything_since_one_are_undone_in_one_step(): void
    {
        $travel = $this->live('Travel');
        $help = $this->live('Help');
        $before = $this->snapshot();
        $first = $this->api('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $travel, 'name' => 'Voyages']]])->json('id');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'move', 'page' => $help, 'place' => ['last' => $travel]]]])->assertCreated();
        $last = $this->api('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $travel, 'name' => 'Trips']]])->json('id');
        $this->api('POST', 'undo/ripple', ['entries' => [$first]])
            ->assertOk()
            ->assertJsonPath('changesNothing', true)
            ->assertJsonPath('account.notes.0.kind', 'stays');
        $this->api('POST', 'undo', ['entries' => [$first]])->assertStatus(422);
        $this->api('POST', 'undo', ['since' => $first])->assertCreated();
        self::assertEquals($before, $this->snapshot());
        $this->api('POST', 'undo', ['entries' => [$last, $first]])->assertStatus(422);
    }

    #[Test]
    public function writers_send_for_review_and_only_owners_touch_what_is_kept(): void
    {
        $islands = $this->live('Islands');
        $writer = $this->person('Isla', Role::WRITER, $islands);
        $greta = $this->person('Greta', Role::OWNER);
        $draft = $this->draft('Walks', $islands);
        $this->api('POST', 'batches', ['changes' => [['kind' => 'send-for-review', 'page' => $draft, 'note' => 'Ready?']]], $writer)->assertCreated();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'go-live', 'page' => $draft]]], $writer)->assertForbidden();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'put-in-bin', 'pages' => [$draft, $islands]]]], $writer)->assertForbidden();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'return-to-writer', 'page' => $draft, 'note' => 'Add a map']]])->assertCreated();
        $this->api('GET', "pages/$draft")
            ->assertJsonPath('state', 'draft')
            ->assertJsonPath('reviewNote', 'Add a map');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'protect', 'page' => $islands]]])->assertStatus(422);
        $this->api('POST', 'batches', ['changes' => [['kind' => 'protect', 'page' => $islands]]], $greta)->assertCreated();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'put-in-bin', 'page' => $islands]], 'defaults' => true])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.page');
        $this->api('POST', 'batches', ['changes' => [['kind' => 'put-in-bin', 'page' => $islands]], 'defaults' => true], $greta)->assertCreated();
    }

    #[Test]
    public function two_versions_of_words_are_compared_block_by_block(): void
    {
        $page = $this->draft('Notes');
        $this->write($page, 'Boats leave at nine');
        $this->api(
            'PUT',
            "pages/$page/content",
            ['document' => $this->words('Boats leave at ten'), 'note' => 'New hour', 'minor' => true],
            headers: ['If-Match' => '1'],
        )->assertOk();
        $this->api('GET', "pages/$page/versions")
            ->assertJsonPath('0.note', 'New hour')
            ->assertJsonPath('0.minor', true)
            ->assertJsonPath('0.by', 'Mairi');
        $this->api('GET', "pages/$page/versions/1/against/2")
            ->assertOk()
            ->assertJsonPath('0.kind', 'changed')
            ->assertJsonPath('0.left.pieces.1', ['text' => 'nine', 'marked' => true])
            ->assertJsonPath('0.right.pieces.1', ['text' => 'ten', 'marked' => true]);
        $this->api('GET', "pages/$page/versions/1/against/9")->assertNotFound();
    }

    #[Test]
    public function the_picture_of_the_structure_holds_the_largest_branches_level_by_level(): void
    {
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        $this->live('Summer', $times);
        $this->live('Help');
        $all = $this->api('GET', 'structure?levels=2')->assertOk()->json();
        self::assertSame(
            [['Travel', 3, null], ['Help', 1, null], ['Times', 2, $travel]],
            array_map(static fn (array $node): array => [$node['name'], $node['size'], $node['parent']], $all),
        );
        self::assertSame(['Travel', 'Times'], array_column($this->api('GET', "structure?of=$travel&levels=1")->json(), 'name'));
    }

    /** Whether random batches write addresses otherwise too. */
    private bool $writesOtherwise = false;

    /** @return list<array{int}> in pieces, since a transaction that never ends grows slow */
    public static function seeds(): array
    {
        return [[20271125], [20271126], [20271127], [20271128]];
    }

    #[Test]
    #[DataProvider('seeds')]
    public function fifty_random_batches_of_every_kind_keep_the_invariants_and_undo_exactly(int $seed): void
    {
        $home = $this->live('Home');
        $travel = $this->live('Travel');
        $this->write($travel, 'Words of Travel');
        $this->live('Times', $travel);
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        mt_srand($seed);
        $this->writesOtherwise = true;
        $apply = $this->app->make(ApplyChanges::class);
        $done = 0;
        $isla = $this->person('Isla', Role::WRITER, $travel);
        for ($i = 0; $done < 50 && $i < 1000; $i++) {
            $this->somethingIsWritten($isla);
            $before = $this->snapshot();
            $entry = $this->anyBatch("$i");
            if ($entry === null) {
                self::assertEquals($before, $this->snapshot());

                continue;
            }
            $done++;
            $after = $this->snapshot();
            $back = $apply->apply($this->site, $this->manager, $this->back($entry), rights: Rights::of(Authority::Owner));
            self::assertEquals($before, $this->snapshot(), json_encode($entry->batch));
            $apply->apply($this->site, $this->manager, $this->back($back), rights: Rights::of(Authority::Owner));
            self::assertEquals($after, $this->snapshot(), json_encode($entry->batch));
        }
        self::assertSame(50, $done);
        $this->assertInvariants();
    }

    /** Words saved, typed or prepared on a page, and whose branch it is: all of it stays with the page. */
    private function somethingIsWritten(User $writer): void
    {
        $page = Page::query()->where('site_id', $this->site->id)->where('state', '<>', 'bin')->orderBy('id')->get()->get(mt_rand(0, 3));
        if ($page === null) {
            return;
        }
        match (mt_rand(0, 5)) {
            0 => $this->write($page->ulid, 'Words '.mt_rand()),
            1 => $this->api('PATCH', "pages/$page->ulid", ['summary' => 'Summary '.mt_rand()], headers: ['If-Match' => '*'])->assertOk(),
            2 => $this->api('PUT', "pages/$page->ulid/draft", ['document' => $this->words('Typed '.mt_rand()), 'basedOn' => 0])->assertNoContent(),
            3 => DB::table('right_lines')->insertOrIgnore([
                'site_id' => $this->site->id,
                'user_id' => $writer->id,
                'page_id' => $page->id,
                'right' => 'write',
                'says' => 'allow',
            ]),
            default => null,
        };
    }

    /** A random batch, applied; null where it is refused or leaves a decision open. */
    private function anyBatch(string $salt): ?HistoryEntry
    {
        $random = new RandomChanges(
            DB::table('pages')->where('site_id', $this->site->id)->orderBy('id')->pluck('ulid')->all(),
            $this->site->rules(),
            time(),
            $salt,
            DB::table('menus')->where('site_id', $this->site->id)->orderBy('name')->pluck('ulid')->all(),
            DB::table('redirect_rules')->where('site_id', $this->site->id)->orderBy('id')->pluck('ulid')->all(),
        );
        $steps = array_map(static fn (): array => [mt_rand(0, 37), mt_rand(0, 99), mt_rand(0, 99), mt_rand(0, 5)], range(1, mt_rand(1, 2)));
        $others = match (mt_rand(0, 5)) {
            0 => [$this->fieldsOfAny()],
            1 => [$this->replacement()],
            default => [],
        };
        $batch =
            $this->writesOtherwise && mt_rand(0, 7) === 0
                ? $this->otherRules()
                : new Batch([...$random->changes($steps), ...$others], $random->decisions($steps));
        try {
            return $this->app->make(ApplyChanges::class)->apply($this->site, $this->manager, $batch, rights: Rights::of(Authority::Owner));
        } catch (Refusal|\App\Desk\RippleChanged) {
            return null;
        }
    }

    private function otherRules(): Batch
    {
        return Batch::of(
            match (mt_rand(0, 4)) {
                0 => new SetAddressRules(TrailingSlash::Always, ''),
                1 => new SetAddressRules(TrailingSlash::Never, ''),
                2 => new SetAddressRules(TrailingSlash::Never, '.html'),
                3 => new SetAddressRules(caseSensitive: true),
                default => new SetAddressRules(caseSensitive: false),
            },
        );
    }

    /** Fields of one layout, or the way to another. */
    private function fieldsOfAny(): Describe
    {
        $pages = DB::table('pages')->where('site_id', $this->site->id)->orderBy('id')->pluck('ulid')->all();
        $page = (string) $pages[mt_rand(0, count($pages) - 1)];
        $other = (string) $pages[mt_rand(0, count($pages) - 1)];

        return match (mt_rand(0, 3)) {
            0 => new Describe($page, layout: 'page'),
            1 => new Describe($page, layout: 'boat', fields: ['people' => mt_rand(1, 99), 'sails' => ['page' => $other]]),
            2 => new Describe($page, layout: 'crossing', fields: ['from' => ['page' => $other], 'sails' => 'about '.mt_rand(1, 9)]),
            default => new Describe(
                $page,
                layout: 'crossing',
                fields: ['takes' => mt_rand(1, 99), 'fares' => [['name' => 'About', 'price' => '1']], 'from' => null],
            ),
        };
    }

    /** Of what stands on many pages, and is put back at another time. */
    private function replacement(): ReplaceText
    {
        [$find, $with] = [['About', 'Round'], ['Round', 'About'], ['e', 'é'], ['é', 'e'], ['[aeiou](.)', '$1'], ['(\w)$', '$1$1']][mt_rand(0, 5)];
        $given = ['find' => $find, 'with' => $with, 'way' => str_contains($find, '(') ? 'pattern' : 'plain', 'matchCase' => true];

        return ReplaceText::read(new ChangeInput($given, $this->site->rules()));
    }

    #[Test]
    #[DataProvider('seeds')]
    public function everything_since_leads_back_to_how_it_was_whatever_was_undone_in_between(int $seed): void
    {
        $home = $this->live('Home');
        $this->live('Times', $this->live('Travel'));
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        $owner = $this->person('Greta', Role::OWNER);
        mt_srand($seed);
        for ($round = 0; $round < 6; $round++) {
            $before = $this->snapshot();
            $newest = HistoryEntry::query()->max('id');
            for ($i = 0; $i < 8; $i++) {
                $this->anyBatch("$round-$i");
                if (mt_rand(0, 1) === 0) {
                    $this->undoTheLast($newest);
                }
            }
            $first = HistoryEntry::query()->where('id', '>', $newest)->orderBy('id')->first();
            if ($first !== null) {
                $status = $this->api('POST', 'undo', ['since' => $first->ulid], $owner)->status();
                self::assertContains($status, [201, 422], 'It is undone, or nothing is left of it.');
            }
            self::assertEquals($before, $this->snapshot());
        }
        $this->assertInvariants();
    }

    private function undoTheLast(int $after): void
    {
        $last = HistoryEntry::query()->where('id', '>', $after)->whereNull('undone_by_id')->orderByDesc('id')->first();
        if ($last !== null) {
            $this->app->make(ApplyChanges::class)->apply($this->site, $this->manager, $this->back($last), rights: Rights::of(Authority::Owner));
        }
    }

    private function back(HistoryEntry $entry): Batch
    {
        return $this->app->make(UndoEntry::class)->batch($this->site, $entry->refresh());
    }

    private function write(string $page, string $text): void
    {
        $version = (int) (DB::table('page_contents')->where('page_id', $this->row($page)->id)->value('working_version') ?? 0);
        $this->api('PUT', "pages/$page/content", ['document' => $this->words($text)], headers: ['If-Match' => (string) $version])->assertOk();
    }

    /** @return array<string, mixed> */
    private function words(string $text): array
    {
        return ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]]]];
    }
}

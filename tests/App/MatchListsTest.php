<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\BringIn\GiveSource;
use Heronstem\Core\Access\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use ZipArchive;

/** Lists of old addresses are kept, worked on by several people, and learn from what they choose. */
final class MatchListsTest extends AppTestCase
{
    #[Test]
    public function a_list_is_kept_with_what_is_proposed_and_what_was_chosen(): void
    {
        $fares = $this->live('Fares', $this->live('Travel'));
        $times = $this->live('Timetables');
        $list = $this->list("address,title,hits\n/tariff.html,Fares,12\n/zzqx/klompik,,3\n/timetables,,1");
        self::assertSame(
            [3, 16, 0, 90, false],
            [$list['list']['rows'], $list['list']['requests'], $list['list']['chosen'], $list['list']['threshold'], $list['list']['isBehind']],
        );
        self::assertSame(['/tariff.html', '/zzqx/klompik', '/timetables'], array_column($list['rows'], 'old'));
        self::assertGreaterThan(0.5, $list['rows'][1]['none'], 'Probably nothing is there any more.');
        self::assertSame([$fares, null, $times], array_map(static fn (array $row): ?string => $row['page']['id'] ?? null, $list['rows']));
        self::assertSame('page', $list['rows'][2]['held'], 'It is a page’s own.');

        $this->choose($list, ['/zzqx/klompik' => ['page', $times], '/tariff.html' => ['gone', null]])
            ->assertOk()
            ->assertJsonPath('chosen', 2)
            ->assertJsonPath('isBehind', true);
        $rows = $this->read($list)['rows'];
        self::assertSame(['choice' => 'gone', 'page' => null, 'by' => $this->manager->name], array_diff_key($rows[0]['chosen'], ['at' => 1]));
        self::assertSame($times, $rows[1]['chosen']['page']['id']);
        $this->choose($list, ['/tariff.html' => [null, null]])
            ->assertOk()
            ->assertJsonPath('chosen', 1);
        self::assertNull($this->read($list)['rows'][0]['chosen']);
        $csv = (string) $this->api('GET', "match-lists/{$list['list']['id']}/file")
            ->assertOk()
            ->getContent();
        self::assertStringContainsString("/zzqx/klompik,/timetables,301,,Timetables,{$this->manager->name},3,", $csv);
        self::assertMatchesRegularExpression('#^/tariff.html,(?:/travel/fares,301)?,?,\d+ %,Fares,,12,Fares#m', $csv);
        // Where the page goes, what was chosen leads nowhere, and is said to.
        $this->change(['kind' => 'put-in-bin', 'pages' => [$times]]);
        self::assertSame(
            ['choice' => 'page', 'page' => null],
            array_intersect_key($this->read($list)['rows'][1]['chosen'], ['choice' => 1, 'page' => 1]),
        );

        self::assertSame(['Old site'], array_column($this->api('GET', 'match-lists')->assertOk()->json(), 'name'));
        $this->api('DELETE', "match-lists/{$list['list']['id']}")->assertNoContent();
        self::assertSame(0, DB::table('match_rows')->count());
    }

    #[Test]
    public function what_is_chosen_teaches_the_rest_and_what_changed_by_it_is_marked_and_told_alone(): void
    {
        foreach (['Puffins', 'Seals'] as $name) {
            $pages[$name] = $this->live("$name of Ullin");
            $this->live("$name of Orm");
        }
        $list = $this->list("/zzqx/vlaad-ullin\n/zzqx/klompik-ullin\n/zzqx/klompik-orm\n/elsewhere");
        $this->choose($list, ['/zzqx/klompik-ullin' => ['page', $pages['Seals']]])->assertOk();
        $since = $list['list']['revision'];
        $taught = $this->api('POST', "match-lists/{$list['list']['id']}/matched?since=$since")
            ->assertOk()
            ->json();
        self::assertFalse($taught['list']['isBehind']);
        $changed = array_column($taught['rows'], null, 'old');
        self::assertSame('Seals of Orm', $changed['/zzqx/klompik-orm']['page']['name']);
        self::assertTrue($changed['/zzqx/klompik-orm']['isTaught']);
        self::assertFalse($changed['/zzqx/klompik-ullin']['isTaught'], 'It was chosen, not taught.');
        self::assertFalse($changed['/elsewhere']['isTaught'] ?? false, 'Nothing taught it anything.');
        self::assertSame([], $this->api('GET', "match-lists/{$list['list']['id']}?since={$taught['list']['revision']}")->json('rows'));
        // The mark is of the last time.
        $again = $this->api('POST', "match-lists/{$list['list']['id']}/matched")->json('rows');
        self::assertSame([false], array_unique(array_column($again, 'isTaught')));
    }

    #[Test]
    public function words_that_somebody_writes_down_are_used_and_what_cannot_be_read_is_named(): void
    {
        $seals = $this->live('Seals');
        $list = $this->list('/zzqx.html');
        self::assertNull($list['rows'][0]['page']);
        $path = "match-lists/{$list['list']['id']}";
        $this->api('PATCH', $path, ['glossary' => 'zzqx: seals'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'glossary');
        $this->api('PATCH', $path, ['glossary' => 'zzqx = seals', 'threshold' => 80])
            ->assertOk()
            ->assertJsonPath('threshold', 80);
        self::assertSame($seals, $this->api('POST', "$path/matched")->json('rows.0.page.id'));
        $this->api('PATCH', $path, ['name' => 'Renamed'])
            ->assertOk()
            ->assertJsonPath('glossary', 'zzqx = seals');
        $this->api('PATCH', $path, ['glossary' => ''])
            ->assertOk()
            ->assertJsonPath('glossary', '')
            ->assertJsonPath('name', 'Renamed');
    }

    #[Test]
    public function what_somebody_else_chose_meanwhile_is_told_and_not_overwritten(): void
    {
        [$fares, $times] = [$this->live('Fares'), $this->live('Timetables')];
        $list = $this->list("/a\n/b");
        $other = $this->person('Gwen', Role::MANAGER);
        $this->choose($list, ['/b' => ['page', $fares]], $other)->assertOk();
        $told = $this->choose($list, ['/a' => ['gone', null], '/b' => ['page', $times]])
            ->assertStatus(412)
            ->json('detail');
        self::assertStringContainsString('Gwen chose “Fares” for /b', $told);
        self::assertSame(
            [null, $fares],
            array_map(static fn (array $row): ?string => $row['chosen']['page']['id'] ?? null, $this->read($list)['rows']),
            'All or none.',
        );
        // The same choice is no conflict, nor is one made on what they chose.
        $this->choose($list, ['/b' => ['page', $fares]])->assertOk();
        $this->choose($this->read($list), ['/b' => ['page', $times]], $other)->assertOk();
    }

    #[Test]
    public function whatever_two_people_choose_in_turn_each_row_is_as_somebody_who_saw_it_said_last(): void
    {
        mt_srand((int) (getenv('ERIS_SEED') ?: 1));
        $pages = [$this->live('Fares'), $this->live('Timetables')];
        $old = ['/zzqx/a', '/zzqx/b', '/zzqx/c'];
        $list = $this->list(implode("\n", $old));
        $people = [$this->manager, $this->person('Gwen', Role::MANAGER)];
        // What each of them has seen, and what holds, with who said so.
        $seen = [$list, $list];
        $holds = array_fill_keys($old, [null, null, null]);
        for ($step = 0; $step < 60; $step++) {
            $who = mt_rand(0, 1);
            if (mt_rand(0, 2) === 0) {
                $seen[$who] = $this->read($list);

                continue;
            }
            $address = $old[mt_rand(0, 2)];
            $choice = [['page', $pages[0]], ['page', $pages[1]], ['gone', null], ['left', null], [null, null]][mt_rand(0, 4)];
            $was = array_column($seen[$who]['rows'], null, 'old')[$address]['chosen'];
            [$said, $page, $by] = $holds[$address];
            // Unknown to them, somebody else chose, and something else.
            $isConflict =
                $said !== null &&
                $by !== $who &&
                [$said, $page] !== $choice &&
                [$was['choice'] ?? null, $was['page']['id'] ?? null, $was['by'] ?? null] !== [$said, $page, $people[$by]->name];
            $status = $this->choose($seen[$who], [$address => $choice], $people[$who])->status();
            self::assertTrue($isConflict ? $status === 412 : in_array($status, [200, 412], true), "step $step: $status");
            if ($status === 200) {
                $holds[$address] = $choice[0] === null ? [null, null, null] : [...$choice, $who];
            } else {
                self::assertNotSame($by, $who, 'Nobody is in their own way.');
                self::assertNotSame([$said, $page], $choice, 'To agree is no conflict.');
            }
        }
        foreach ($this->read($list)['rows'] as $row) {
            [$said, $page, $by] = $holds[$row['old']];
            self::assertSame(
                [$said, $page, $by === null ? null : $people[$by]->name],
                [$row['chosen']['choice'] ?? null, $row['chosen']['page']['id'] ?? null, $row['chosen']['by'] ?? null],
            );
        }
    }

    #[Test]
    public function saved_pages_and_pages_of_an_import_are_matched_by_what_they_are_called(): void
    {
        $lost = $this->live('Lost property', $this->live('Help'));
        $path = (string) tempnam(sys_get_temp_dir(), 'heronstem-test');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        $zip->addFromString('site/p/17.html', '<title>Orm Tours</title><h1>Lost property</h1>');
        $zip->addFromString('site/p/18.html', '<title>Orm Tours</title><h1>Somewhere else</h1>');
        $zip->close();
        $made = $this->actingAs($this->manager)
            ->withHeaders(['Accept' => 'application/json', 'Content-Type' => 'multipart/form-data'])
            ->post('http://editor.test/api/v1/sites/ferries/match-lists', [
                'name' => 'Saved',
                'file' => new UploadedFile($path, 'saved.zip', test: true),
            ]);
        $made->assertCreated();
        self::assertSame([$lost, 'Lost property'], [$made->json('rows.0.page.id'), $made->json('rows.0.heading')]);
        unlink($path);

        $import = $this->app
            ->make(GiveSource::class)
            ->give($this->site, $this->manager, 'pages.csv', "address,name,former\n/x/9.php,Lost property,/y", 'text');
        self::assertSame('ready', $import->state);
        $rows = $this->api('POST', 'match-lists', ['name' => 'Of the import', 'import' => $import->ulid])
            ->assertCreated()
            ->json('rows');
        self::assertSame($lost, $rows[0]['page']['id']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function mistakes(): iterable
    {
        yield 'no name' => [['text' => '/a'], 'name'];
        yield 'a name that another list has' => [['name' => 'Old site', 'text' => '/a'], 'name'];
        yield 'nothing' => [['name' => 'Other'], 'text'];
        yield 'no address' => [['name' => 'Other', 'text' => 'nothing of the kind'], 'text'];
        yield 'an import of elsewhere' => [['name' => 'Other', 'import' => '01J000000000000000000000ZZ'], 'import'];
    }

    /** @param  array<string, mixed>  $body */
    #[Test, DataProvider('mistakes')]
    public function what_cannot_be_kept_is_said_with_its_field(array $body, string $field): void
    {
        $this->list('/a');
        $this->api('POST', 'match-lists', $body)->assertStatus(422)->assertJsonPath('errors.0.field', $field);
        self::assertSame(1, DB::table('match_lists')->count(), 'Nothing is left of it.');
    }

    #[Test]
    public function a_choice_of_what_is_not_there_is_refused(): void
    {
        $list = $this->list('/a');
        $this->choose($list, ['/a' => ['page', '01J000000000000000000000ZZ']])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'rows.0.page');
        $this->api('POST', "match-lists/{$list['list']['id']}/choices", ['rows' => [['old' => '/b', 'choice' => 'gone', 'revision' => 1]]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'rows.0.old');
    }

    #[Test]
    public function an_address_with_anything_in_it_is_kept_and_can_be_chosen_for(): void
    {
        $odd = '/a"b\\c%00,'.str_repeat('é', 1500);
        $list = $this->api('POST', 'match-lists', ['name' => 'Odd', 'text' => '{"url": '.json_encode("$odd\0").'}'])
            ->assertCreated()
            ->json();
        self::assertCount(1, $list['rows']);
        $this->choose($list, [$list['rows'][0]['old'] => ['gone', null]])
            ->assertOk()
            ->assertJsonPath('chosen', 1);
    }

    /** @return array{list: array<string, mixed>, rows: list<array<string, mixed>>} */
    private function list(string $text): array
    {
        return $this->api('POST', 'match-lists', ['name' => 'Old site', 'text' => $text])
            ->assertCreated()
            ->json();
    }

    /**
     * @param  array{list: array<string, mixed>}  $list
     * @return array{list: array<string, mixed>, rows: list<array<string, mixed>>}
     */
    private function read(array $list): array
    {
        return $this->api('GET', "match-lists/{$list['list']['id']}")
            ->assertOk()
            ->json();
    }

    /**
     * @param  array{list: array<string, mixed>, rows: list<array<string, mixed>>}  $list
     * @param  array<string, array{string|null, string|null}>  $choices  by old address
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function choose(array $list, array $choices, ?\App\Models\User $by = null): \Illuminate\Testing\TestResponse
    {
        $known = array_column($list['rows'], 'revision', 'old');
        $rows = [];
        foreach ($choices as $old => [$choice, $page]) {
            $rows[] = ['old' => $old, 'choice' => $choice, 'page' => $page, 'revision' => $known[$old]];
        }

        return $this->api('POST', "match-lists/{$list['list']['id']}/choices", ['rows' => $rows], $by);
    }
}

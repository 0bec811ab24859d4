<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\RippleGroup;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** The complete lists of consequences, before a change is made and after. */
final class RippleRowsTest extends AppTestCase
{
    #[Test]
    public function what_was_listed_before_is_what_the_history_lists_after(): void
    {
        $travel = $this->live('Travel');
        $times = $this->live('Times', $travel);
        foreach (['Summer', 'Winter', 'Holidays'] as $name) {
            $this->live($name, $times);
        }
        $help = $this->live('Help');
        $batches = [
            'move' => [['kind' => 'move', 'page' => $times, 'place' => ['last' => $help]]],
            'home again' => [['kind' => 'move', 'page' => $times, 'place' => ['last' => $travel]]],
            'offline' => [['kind' => 'take-offline', 'page' => $times, 'scope' => 'branch']],
            'live' => [['kind' => 'go-live', 'page' => $times, 'scope' => 'branch']],
            'copies' => [['kind' => 'duplicate', 'page' => $times, 'copy' => (string) Str::ulid(), 'scope' => 'branch']],
            'bin' => [['kind' => 'put-in-bin', 'page' => $times]],
        ];
        foreach ($batches as $name => $changes) {
            $before = [];
            foreach (RippleGroup::cases() as $group) {
                $before[$group->value] = $this->api('POST', "ripple/{$group->value}", ['changes' => $changes, 'defaults' => true])
                    ->assertOk()
                    ->json('rows');
            }
            $entry = $this->api('POST', 'batches', ['changes' => $changes, 'defaults' => true])
                ->assertCreated()
                ->json('id');
            foreach ($before as $group => $rows) {
                $after = $this->api('GET', "history/$entry/rows/$group")
                    ->assertOk()
                    ->json('rows');
                self::assertEqualsCanonicalizing(array_column($rows, 'page'), array_column($after, 'page'), "$name, $group");
                self::assertEqualsCanonicalizing(array_column($rows, 'from'), array_column($after, 'from'), "$name, $group");
            }
        }
    }

    #[Test]
    public function a_list_comes_in_pieces_narrowed_or_as_a_file_that_no_spreadsheet_takes_for_formulas(): void
    {
        $top = $this->live('Top');
        $changes = [];
        for ($n = 0; $n < 230; $n++) {
            $changes[] = ['kind' => 'make', 'page' => (string) Str::ulid(), 'name' => $n === 0 ? '=1+1' : "Page $n", 'place' => ['last' => $top]];
        }
        $this->change(...$changes);
        $this->change(...array_map(static fn (array $change): array => ['kind' => 'go-live', 'page' => $change['page']], $changes));
        $rename = ['changes' => [['kind' => 'set-slug', 'page' => $top, 'slug' => 'above']]];
        $this->api('POST', 'ripple/addresses', $rename)->assertJsonPath('total', 231)->assertJsonCount(200, 'rows');
        $this->api('POST', 'ripple/addresses?offset=200', $rename)->assertJsonPath('offset', 200)->assertJsonCount(31, 'rows');
        $this->api('POST', 'ripple/addresses?text=page-22', $rename)->assertJsonPath('total', 11);
        $csv = $this->api('POST', 'ripple/addresses?format=csv', $rename)
            ->assertOk()
            ->assertHeader('Content-Type', 'text/csv; charset=utf-8')
            ->streamedContent();
        self::assertSame(232, substr_count($csv, "\r\n"));
        self::assertStringContainsString("'=1+1", $csv);
        $this->api('POST', 'ripple/everything', $rename)->assertNotFound();
    }

    #[Test]
    public function links_that_follow_and_links_that_break_are_counted(): void
    {
        $travel = $this->live('Travel');
        $from = $this->live('From');
        $this->api(
            'PUT',
            "pages/$from/content",
            [
                'document' => [
                    'type' => 'doc',
                    'content' => [
                        [
                            'type' => 'paragraph',
                            'content' => [['type' => 'text', 'text' => 'there', 'marks' => [['type' => 'link', 'attrs' => ['page' => $travel]]]]],
                        ],
                    ],
                ],
            ],
            headers: ['If-Match' => '0'],
        )->assertOk();
        $this->api('POST', "pages/$from/publish")->assertOk();
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-slug', 'page' => $travel, 'slug' => 'voyage']]])
            ->assertJsonPath('account.counts.linksFollow', 1)
            ->assertJsonPath('account.counts.linksBreak', 0);
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'take-offline', 'page' => $travel]]])->assertJsonPath('account.counts.linksBreak', 1);
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'put-in-bin', 'page' => $travel]]])->assertJsonPath('account.counts.linksBreak', 1);
    }

    #[Test]
    public function a_large_change_keeps_its_whole_inverse_and_shows_the_first_fifty(): void
    {
        $top = $this->live('Top');
        $this->change(
            ...array_map(
                fn (int $n): array => ['kind' => 'make', 'page' => (string) Str::ulid(), 'name' => "Page $n", 'place' => ['last' => $top]],
                range(1, 120),
            ),
        );
        $before = $this->snapshot();
        $entry = $this->api('POST', 'batches', ['changes' => [['kind' => 'put-in-bin', 'page' => $top]], 'defaults' => true])
            ->assertCreated()
            ->assertJsonPath('counts.bin', 121)
            ->json('id');
        $this->api('GET', "history/$entry")->assertJsonCount(50, 'ripple.lists.bin');
        $this->api('GET', "history/$entry/rows/bin")->assertJsonPath('total', 121);
        self::assertSame(121, (int) DB::selectOne('select cardinality(touched) as n from history where ulid = ?', [$entry])->n);
        $this->api('POST', "history/$entry/undo")->assertCreated();
        self::assertEquals($before, $this->snapshot());
    }
}

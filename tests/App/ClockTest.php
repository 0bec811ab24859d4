<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ApplyChanges;
use App\Desk\UndoEntry;
use App\Models\HistoryEntry;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;

/** A clock that jumps: what was done stays in the order in which it was done, and is undone exactly. */
final class ClockTest extends AppTestCase
{
    #[Test]
    #[TestWith([-3 * 86_400])]
    #[TestWith([-61])]
    #[TestWith([400 * 86_400])]
    public function what_is_done_before_and_after_a_jump_is_undone_exactly(int $seconds): void
    {
        $help = $this->live('Help');
        $dogs = $this->live('Dogs', $help);
        $this->live('Travel');
        $before = $this->snapshot();
        $first = $this->change(['kind' => 'set-slug', 'page' => $help, 'slug' => 'advice']);
        Carbon::setTestNow(Carbon::now()->addSeconds($seconds));
        $second = $this->change(['kind' => 'put-in-bin', 'page' => $dogs]);
        $third = $this->change(['kind' => 'set-slug', 'page' => $help, 'slug' => 'questions']);
        self::assertSame(
            [$third->ulid, $second->ulid, $first->ulid],
            array_slice(array_column($this->api('GET', 'history')->assertOk()->json(), 'id'), 0, 3),
        );
        $this->visit('/help/dogs')->assertRedirect('http://ferries.test/questions');
        $this->visit('/advice')->assertRedirect('http://ferries.test/questions');
        $this->assertInvariants();

        $batch = $this->app->make(UndoEntry::class)->since($this->site, HistoryEntry::query()->where('ulid', $first->ulid)->firstOrFail());
        $this->app->make(ApplyChanges::class)->apply($this->site, $this->manager, $batch);
        $this->assertInvariants();
        $this->visit('/help/dogs')->assertOk();
        [$pages, $ledger] = $this->snapshot();
        self::assertEquals($before[0], $pages);
        // What was live for longer than a slip, by whichever clock, goes on answering.
        self::assertSame([], array_udiff($before[1], $ledger, static fn (object $a, object $b): int => $a <=> $b));
        Carbon::setTestNow();
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\ChangeUnderWay;
use App\Models\HistoryEntry;
use App\Models\StoredStep;
use Heronstem\Core\Visitors\PagePassword;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** A password that opens pages stands nowhere in the database as it was typed: not in the history, with a plan, or with a large change. */
final class KeptPasswordsTest extends AppTestCase
{
    private const TYPED = 'over the sound';

    #[Test]
    public function a_large_change_that_is_under_way_keeps_keys_and_closes_the_pages_all_the_same(): void
    {
        config()->set('heronstem.large_change', 1);
        [$travel, $fares] = [$this->live('Travel'), $this->live('Fares')];
        $change = ['kind' => 'set-access', 'pages' => [$travel, $fares], 'access' => ['to' => 'some', 'password' => self::TYPED]];

        $answer = $this->api('POST', 'batches', ['changes' => [$change]]);

        self::assertContains($answer->getStatusCode(), [201, 202]);
        $this->assertNowhere();
        $this->visit('/fares')->assertForbidden();
        $this->call(
            'POST',
            'http://ferries.test/_account/open',
            ['to' => '/fares', 'password' => self::TYPED],
            server: ['REQUEST_URI' => '/_account/open'],
        )->assertRedirect('/fares');
    }

    #[Test]
    public function what_was_kept_before_is_removed_and_everything_beside_it_stays(): void
    {
        $page = $this->live('Travel');
        $closed = static fn (mixed $password): array => [
            'kind' => 'set-access',
            'pages' => ['P', 'Q'],
            'access' => ['to' => 'some', 'password' => $password, 'roles' => ['crew']],
        ];
        $other = ['kind' => 'rename', 'page' => $page, 'name' => self::class];
        $entry = $this->change(['kind' => 'rename', 'page' => $page, 'name' => 'Journeys']);
        DB::update("update history set kinds = '{set-access,rename}', batch = ?::jsonb where id = ?", [
            json_encode([$closed(self::TYPED), $other, $closed(true)]),
            $entry->id,
        ]);
        $under = fn (string $ulid, string $state): ChangeUnderWay => ChangeUnderWay::query()->forceCreate([
            'ulid' => $ulid,
            'site_id' => $this->site->id,
            'user_id' => $this->manager->id,
            'title' => 'Closing two pages',
            'state' => $state,
            'confirmed' => true,
            'pages' => 2,
            'asked' => ['changes' => [$closed(self::TYPED)], 'decisions' => [], 'defaults' => true],
        ]);
        [$done, $waits] = [$under('01HZZZZZZZZZZZZZZZZZZZZZZZ', 'done'), $under('01HZZZZZZZZZZZZZZZZZZZZZZ2', 'waiting')];
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])->json('id');
        $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'Voyages']]])->assertCreated();
        StoredStep::query()->update(['changes' => json_encode([$closed(self::TYPED), $other])]);

        $migration = require database_path('migrations/2026_11_30_000051_keep_no_typed_passwords.php');
        $migration->up();

        $this->assertNowhere();
        self::assertEquals([$closed(true), $other, $closed(true)], HistoryEntry::query()->findOrFail($entry->id)->batch);
        self::assertEquals(['changes' => [$closed(true)], 'decisions' => [], 'defaults' => true], $done->refresh()->asked);
        // What is still to be made opens with the password that was typed.
        $keys = ['P' => PagePassword::set(self::TYPED, 'P')->kept, 'Q' => PagePassword::set(self::TYPED, 'Q')->kept];
        self::assertEquals([$closed(['keys' => $keys]), $other], StoredStep::query()->sole()->changes);
        self::assertEquals([$closed(['keys' => $keys])], $waits->refresh()->asked['changes'] ?? []);
    }

    private function assertNowhere(): void
    {
        foreach (['history' => 'batch', 'changes_under_way' => 'asked', 'plan_steps' => 'changes', 'pages' => 'access'] as $table => $column) {
            self::assertSame(
                0,
                DB::table($table)
                    ->whereRaw("$column::text like ?", ['%'.self::TYPED.'%'])
                    ->count(),
                $table,
            );
        }
    }
}

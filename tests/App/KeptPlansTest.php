<?php

declare(strict_types=1);

namespace Tests\App;

use App\Store\KeptPlans;
use App\Store\PgConnection;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PDO;
use PHPUnit\Framework\Attributes\Test;

/** On connections that are kept open the database keeps plans of what is asked for all the time; answers are the same. */
final class KeptPlansTest extends AppTestCase
{
    private const ASKED = KeptPlans::MARK.'select ?::int + 1 as number, ?::text as text, ?::boolean as said, ?::text as nothing';

    protected function setUp(): void
    {
        parent::setUp();
        $settings = config('database.connections.pgsql');
        config(['database.connections.kept' => [...$settings, 'options' => $settings['options'] + [PDO::ATTR_PERSISTENT => true]]]);
    }

    protected function tearDown(): void
    {
        $this->kept()->unprepared('deallocate all');
        DB::purge('kept');
        parent::tearDown();
    }

    #[Test]
    public function a_marked_statement_is_planned_once_for_all_who_use_the_connection_and_answers_the_same(): void
    {
        foreach ([[41, "it's \\ a \"text\" ?", true, null], [-1, '', false, null], ['7', 'Ærø 🚢', true, null]] as $bound) {
            self::assertEquals(DB::connection('pgsql')->select(self::ASKED, $bound), $this->kept()->select(self::ASKED, $bound));
            self::assertEquals(DB::connection('pgsql')->select(self::ASKED, $bound), iterator_to_array($this->kept()->cursor(self::ASKED, $bound), false));
            DB::purge('kept');
        }
        self::assertCount(1, $this->plans());
        self::assertEquals([(object) ['n' => 3]], $this->kept()->select('select 3 as n'));
        self::assertCount(1, $this->plans());
    }

    #[Test]
    public function it_is_told_to_those_who_listen_as_it_was_asked(): void
    {
        $heard = [];
        $this->kept()->listen(static function ($query) use (&$heard): void {
            $heard[] = [$query->sql, $query->bindings];
        });
        $this->kept()->select(self::ASKED, [1, 'a', true, null]);
        self::assertSame([[self::ASKED, [1, 'a', true, null]]], $heard);
    }

    #[Test]
    public function long_lists_and_what_is_not_marked_are_planned_for_themselves(): void
    {
        $asked = KeptPlans::MARK.'select cardinality(?::text[]) as n';
        self::assertSame(1000, $this->kept()->selectOne($asked, ['{'.implode(',', array_fill(0, 1000, 'word')).'}'])->n);
        self::assertSame([], $this->plans());
    }

    #[Test]
    public function a_plan_that_holds_no_more_is_made_anew(): void
    {
        $this->kept()->unprepared('drop table if exists planned; create table planned (n int); insert into planned values (1)');
        try {
            $asked = KeptPlans::MARK.'select n from planned';
            self::assertSame(1, $this->kept()->selectOne($asked)->n);
            $this->kept()->unprepared("alter table planned alter n type text using 'one'");
            self::assertSame('one', $this->kept()->selectOne($asked)->n);
            self::assertSame('one', $this->kept()->selectOne($asked)->n);
            self::assertCount(1, $this->plans());
        } finally {
            $this->kept()->unprepared('drop table planned');
        }
    }

    #[Test]
    public function one_that_is_not_there_any_more_is_made_anew_as_well(): void
    {
        $this->kept()->select(self::ASKED, [1, 'a', true, null]);
        $this->kept()->unprepared('deallocate all');
        self::assertSame(2, $this->kept()->selectOne(self::ASKED, [1, 'a', true, null])->number);
        self::assertSame(3, $this->kept()->selectOne(self::ASKED, [2, 'a', true, null])->number);
        self::assertCount(1, $this->plans());
    }

    #[Test]
    public function within_a_transaction_it_fails_once_and_no_more(): void
    {
        $asked = KeptPlans::MARK.'select n from planned';
        $this->kept()->unprepared('drop table if exists planned; create table planned (n int); insert into planned values (1)');
        try {
            self::assertSame(1, $this->kept()->selectOne($asked)->n);
            $this->kept()->unprepared("alter table planned alter n type text using 'one'");
            try {
                $this->kept()->transaction(fn () => $this->kept()->selectOne($asked));
                self::fail('The plan held.');
            } catch (QueryException $failed) {
                self::assertSame('0A000', $failed->getCode());
            }
            self::assertSame('one', $this->kept()->transaction(fn () => $this->kept()->selectOne($asked))->n);
        } finally {
            $this->kept()->unprepared('drop table planned');
        }
    }

    /** As for whoever sees a part of a site only, whose tables stand in a schema before the others. */
    #[Test]
    public function a_plan_reads_what_its_names_mean_at_the_moment(): void
    {
        $asked = KeptPlans::MARK.'select n from planned';
        $this->kept()->unprepared(
            'drop schema if exists before cascade; create schema before; drop table if exists planned; create table planned as select 1 as n; create view before.planned as select 2 as n',
        );
        try {
            foreach (range(1, 8) as $_) {
                self::assertSame(1, $this->kept()->selectOne($asked)->n);
                $seen = $this->kept()->transaction(function () use ($asked): int {
                    $this->kept()->select("select set_config('search_path', 'before,public', true)");

                    return $this->kept()->selectOne($asked)->n;
                });
                self::assertSame(2, $seen);
            }
            self::assertCount(1, $this->plans());
        } finally {
            $this->kept()->unprepared('drop schema before cascade; drop table planned');
        }
    }

    #[Test]
    public function what_the_database_cannot_read_is_refused_as_it_would_be_without(): void
    {
        foreach (["a\0b", "\xff"] as $text) {
            $said = [];
            foreach ([DB::connection('pgsql'), $this->kept()] as $connection) {
                try {
                    $said[] = $connection->selectOne(KeptPlans::MARK.'select length(?::text) as n', [$text])->n;
                } catch (\Throwable $refused) {
                    $said[] = $refused->getCode();
                }
            }
            self::assertSame($said[0], $said[1]);
        }
    }

    private function kept(): PgConnection
    {
        $connection = DB::connection('kept');
        self::assertInstanceOf(PgConnection::class, $connection);

        return $connection;
    }

    /** @return list<string> */
    private function plans(): array
    {
        return array_column($this->kept()->select("select name from pg_prepared_statements where name like 'kept%'"), 'name');
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Accounts\Sessions;
use App\Desk\CountHits;
use App\Desk\Jobs\FailedJobs;
use App\Desk\Watch\RunningNode;
use App\Jobs\AuditPages;
use App\Store\HitLog;
use App\Store\Redis\KeptSessions;
use App\Store\Redis\RedisAddress;
use App\Store\Redis\RedisAway;
use Heronstem\Core\Redirect\RequestOrigin;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;

/** Redis is asked before the database where it is given; where it goes away, nothing stops and nothing is lost. */
final class RedisTest extends AppTestCase
{
    use RunsRedis;

    protected function setUp(): void
    {
        parent::setUp();
        $this->startRedis();
        config([
            'heronstem.redis' => $this->redisUrl(),
            'database.redis.default' => RedisAddress::of($this->redisUrl())?->forFramework(false),
            'database.redis.cache' => RedisAddress::of($this->redisUrl())?->forFramework(false),
            'queue.worked_out' => 'failover',
        ]);
        array_map(unlink(...), glob(storage_path('app/hits/*')) ?: []);
    }

    protected function tearDown(): void
    {
        $this->killRedis();
        RedisAway::forget();
        parent::tearDown();
    }

    #[Test]
    public function what_is_cached_is_cached_in_redis_and_in_the_database_while_it_is_away(): void
    {
        $cache = Cache::store('failover');
        $cache->put('tide', 'low', 60);
        self::assertSame('low', $cache->get('tide'));
        self::assertSame(0, DB::table('cache')->where('key', 'like', '%tide%')->count());

        $this->killRedis();
        self::assertNull($cache->get('tide'));
        $cache->put('tide', 'high', 60);
        self::assertSame('high', $cache->get('tide'));
        self::assertTrue($cache->add('once', 1, 60));
        self::assertFalse($cache->add('once', 1, 60));

        $this->startRedis();
        self::assertNull($cache->get('tide'), 'It is asked again once it is there.');
    }

    #[Test]
    public function a_redis_that_is_away_is_left_alone_for_some_seconds(): void
    {
        $this->killRedis();
        Cache::store('failover')->get('tide');
        self::assertTrue(RedisAway::isSo());
        $this->expectException(RedisAway::class);
        Cache::store('redis')->get('tide');
    }

    #[Test]
    public function a_session_is_read_from_redis_and_stays_when_redis_is_gone(): void
    {
        $this->sessions()->write('own', 'words');
        DB::table('sessions')
            ->where('id', 'own')
            ->update(['payload' => base64_encode('other words')]);
        self::assertSame('words', $this->sessions()->read('own'), 'It is not asked of the database.');
        $this->killRedis();
        self::assertSame('other words', $this->sessions()->read('own'));
        $this->sessions()->write('own', 'later words');
        self::assertSame('later words', $this->sessions()->read('own'));
    }

    #[Test]
    public function a_session_that_was_ended_elsewhere_has_ended(): void
    {
        $user = $this->manager;
        $answering = $this->sessions();
        foreach (['here', 'there'] as $id) {
            $this->sessions()->write($id, $id);
            DB::table('sessions')
                ->where('id', $id)
                ->update(['user_id' => $user->id]);
        }
        self::assertSame('there', $answering->read('there'));
        app(Sessions::class)->endAll($user, 'here');
        $answering->write('there', 'what was being answered');

        self::assertSame('', $this->sessions()->read('there'));
        self::assertSame('here', $this->sessions()->read('here'));
        self::assertSame(['here'], DB::table('sessions')->pluck('id')->all());
    }

    #[Test]
    public function hits_are_counted_once_wherever_they_were_noted(): void
    {
        app()->forgetInstance(HitLog::class);
        $hits = app(HitLog::class);
        $asker = RequestOrigin::of('Mozilla/5.0', '', 'ferries.test');
        $hits->used($this->site->id, 'RULE', $asker);
        $hits->used($this->site->id, 'RULE', $asker);
        self::assertSame([], glob(storage_path('app/hits/*')));
        self::assertGreaterThan(0, $hits->waiting());
        // Somebody who counts is killed between taking them out of the way and counting them.
        self::assertCount(1, $hits->batches());
        app()->forgetInstance(CountHits::class);
        app(CountHits::class)->count();
        app(CountHits::class)->count();
        self::assertSame(2, $this->counted());
        self::assertSame(0, $hits->waiting());

        $hits->used($this->site->id, 'RULE', $asker);
        $this->killRedis();
        $hits->used($this->site->id, 'RULE', $asker);
        app(CountHits::class)->count();
        self::assertSame(3, $this->counted(), 'What was noted in Redis alone is gone with it; the rest is in the file of the node.');
    }

    #[Test]
    public function what_is_worked_out_anew_waits_in_redis_and_in_the_database_while_it_is_away(): void
    {
        app()->forgetInstance('queue');
        Queue::clearResolvedInstance('queue');
        Queue::connection('failover')->push(new AuditPages($this->site->id));
        self::assertSame(1, Queue::connection('redis')->size());
        self::assertSame(1, app(FailedJobs::class)->waiting());
        self::assertSame(0, Artisan::call('queue:work', ['connection' => 'redis', '--once' => true]));
        self::assertSame(0, Queue::connection('redis')->size());

        $this->killRedis();
        Queue::connection('failover')->push(new AuditPages($this->site->id));
        self::assertSame(1, DB::table('jobs')->count());
        self::assertSame(1, app(FailedJobs::class)->waiting());
    }

    #[Test]
    public function the_doctor_says_that_it_is_away(): void
    {
        self::assertNull(app(RunningNode::class)->problems()['redis']);
        $this->killRedis();
        self::assertStringContainsString('works without it', (string) app(RunningNode::class)->problems()['redis']);
    }

    /** @param  array{string, int, string|null, string|null, int, bool}  $is */
    #[Test]
    #[TestWith(['redis://cache.example', ['cache.example', 6379, null, null, 0, false]])]
    #[TestWith(['rediss://someone:a%40b@[::1]:7000/3', ['::1', 7000, 'someone', 'a@b', 3, true]])]
    #[TestWith(['redis://:secret@10.0.0.1:6380', ['10.0.0.1', 6380, null, 'secret', 0, false]])]
    public function its_address_says_where_it_is_and_who_asks(string $url, array $is): void
    {
        self::assertSame($is, array_values((array) RedisAddress::of($url)));
    }

    private function sessions(): KeptSessions
    {
        return new KeptSessions(DB::connection(), 60, app(), app('redis'));
    }

    private function counted(): int
    {
        return (int) DB::table('redirect_hits')->where('site_id', $this->site->id)->sum('hits');
    }
}

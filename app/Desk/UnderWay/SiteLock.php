<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\QueryException;

/** One batch at a time on a site: whoever comes meanwhile waits for a moment, and is told rather than kept waiting for minutes. */
final readonly class SiteLock
{
    /** Milliseconds that work in the background waits. */
    private const LONG = 900_000;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return array{int, int} */
    public static function of(Site $site): array
    {
        return [crc32('heronstem.site') & 0x7FFFFFFF, $site->id];
    }

    /**
     * Held until the transaction ends.
     *
     * @param  bool  $isWatched  somebody looks on, and is told soon
     *
     * @throws SiteBusy
     */
    public function take(Site $site, bool $isWatched): void
    {
        $wait = $isWatched ? (int) config('heronstem.lock_wait') : self::LONG;
        $before = $this->db->selectOne("select current_setting('lock_timeout') as t")->t;
        $this->db->statement("set local lock_timeout = $wait");
        try {
            $this->db->select('select pg_advisory_xact_lock(?, ?)', self::of($site));
        } catch (QueryException $error) {
            throw ($error->errorInfo[0] ?? null) === '55P03' ? new SiteBusy() : $error;
        }
        $this->db->statement("set local lock_timeout = '$before'");
    }

    /** Whether anybody's change of the site is being made. */
    public function isHeld(Site $site): bool
    {
        return $this->db->selectOne(
            "select exists (select 1 from pg_locks where locktype = 'advisory' and database = (select oid from pg_database where datname = current_database())
                and classid = ? and objid = ? and granted) as held",
            self::of($site),
        )->held;
    }
}

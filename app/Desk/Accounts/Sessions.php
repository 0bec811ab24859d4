<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Models\User;
use App\Store\Redis\KeptSessions;
use Illuminate\Contracts\Redis\Factory;
use Illuminate\Database\Connection;

/** Where somebody is signed in: the rows of the database, and what Redis holds of them where it is given. */
final readonly class Sessions
{
    public function __construct(private Connection $db, private Factory $redis)
    {
    }

    /**
     * @param  string|null  $except  the one that asks
     */
    public function endAll(User $user, ?string $except = null): void
    {
        $ids = $this->db
            ->table('sessions')
            ->where('user_id', $user->id)
            ->when($except !== null, static fn ($query) => $query->where('id', '<>', $except))
            ->pluck('id');
        $this->end(...array_map(strval(...), $ids->all()));
    }

    public function end(string ...$ids): int
    {
        $ended = $this->db->table('sessions')->whereIn('id', $ids)->delete();
        if ((string) config('heronstem.redis') !== '') {
            $this->db->afterCommit(fn () => KeptSessions::ended($this->redis, ...$ids));
        }

        return $ended;
    }
}

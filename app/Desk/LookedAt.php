<?php

declare(strict_types=1);

namespace App\Desk;

use Closure;
use Heronstem\Core\Moment;
use Illuminate\Database\Connection;

/** The moment at which the site is looked at: now, or another one while somebody previews a date. */
final class LookedAt
{
    private ?Moment $other = null;

    public function __construct(private readonly Connection $db)
    {
    }

    public function moment(): Moment
    {
        return $this->other ?? Moment::at(now()->getTimestamp());
    }

    /** Whether what is worked out may be kept for others. */
    public function isNow(): bool
    {
        return $this->other === null;
    }

    /**
     * Works something out as it will be at a moment: what is live then, and menus as they are arranged today.
     *
     * @template T
     *
     * @param  Closure(): T  $look  reads only
     * @return T
     */
    public function during(Moment $moment, Closure $look): mixed
    {
        $this->other = $moment;
        try {
            return $this->db->transaction(function () use ($moment, $look): mixed {
                $this->tell($moment->iso());
                $seen = $look();
                $this->tell('');

                return $seen;
            });
        } finally {
            $this->other = null;
        }
    }

    /** For the rest of the transaction, at the longest. */
    private function tell(string $moment): void
    {
        $this->db->select("select set_config('heronstem.looked_at', ?, true)", [$moment]);
    }
}

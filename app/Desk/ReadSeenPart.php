<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Page;
use App\Store\SeenPart;
use Closure;
use Heronstem\Core\Access\Right;

/** What somebody reads of a site of which they may see a part only. */
final readonly class ReadSeenPart
{
    public function __construct(private SeenPart $part)
    {
    }

    public function isWhole(HeldRights $held): bool
    {
        return $held->may(Right::See) && $held->rights->seenBranches() === [];
    }

    /**
     * Reads with everything left out that is not theirs to see.
     *
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public function during(HeldRights $held, Closure $read): mixed
    {
        return $this->isWhole($held) ? $read() : $this->part->during($held->rights->seenBranches(), $held->may(Right::See), $read);
    }

    /** Whether they see what is asked for by its identity; asked while it is read. */
    public function includes(HeldRights $held, mixed $asked): bool
    {
        return match (true) {
            $asked instanceof Page => $held->mayOn(Right::See, $asked),
            $asked instanceof HistoryEntry => HistoryEntry::query()->whereKey($asked->id)->exists(),
            default => true,
        };
    }
}

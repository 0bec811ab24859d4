<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\BringIn\WorkOutBringIn;
use App\Desk\Replace\ReplaceTexts;
use App\Desk\Watch\Measured;
use App\Models\Site;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\WayOut;

/** Plans a batch for somebody: refused where something would follow that is not theirs to do, and with the ways out that are theirs. */
final readonly class PlanFor
{
    /** Conflicts whose ways out are tried one by one; of those beyond, only another choice is offered. */
    private const MAX_TRIED = 20;

    public function __construct(
        private Planners $planners,
        private ReplaceTexts $replace,
        private WorkOutBringIn $bringIn,
        private NumberContents $contents,
    ) {
    }

    /**
     * @throws BeyondRights when something that would follow is not theirs to do
     * @throws Refusal when a guard forbids a change
     */
    public function of(Site $site, Batch $batch, Rights $rights): Ripple
    {
        $began = hrtime(true);
        $batch = $this->workedOut($site, $batch, $rights);
        $ripple = $this->withOpenWays($site, $this->guarded($site, $batch, $rights), $batch, $rights);
        Measured::took('heronstem_plan', (hrtime(true) - $began) / 1e9);

        return $ripple;
    }

    /**
     * What would follow, also where it is not theirs to do: for whoever only asks.
     *
     * @throws Refusal when a guard forbids a change
     */
    public function preview(Site $site, Batch $batch, Rights $rights): Ripple
    {
        $batch = $this->workedOut($site, $batch, $rights);

        return $this->withOpenWays($site, $this->planners->for($site, $rights)->plan($batch), $batch, $rights);
    }

    /** What changes name and do not hold themselves, looked up. */
    public function workedOut(Site $site, Batch $batch, Rights $rights): Batch
    {
        return $this->contents->numbered($this->bringIn->workedOut($site, $this->replace->workedOut($site, $batch), $rights));
    }

    private function guarded(Site $site, Batch $batch, Rights $rights): Ripple
    {
        $ripple = $this->planners->for($site, $rights)->plan($batch);
        $rights->guard($ripple);

        return $ripple;
    }

    /** A way that would be refused as soon as it is taken is none. */
    private function withOpenWays(Site $site, Ripple $ripple, Batch $batch, Rights $rights): Ripple
    {
        if (! $rights->areNarrow() || $ripple->toDecide->conflicts === []) {
            return $ripple;
        }

        return $ripple->withConflicts(
            array_map(
                fn (Conflict $conflict, int $n): Conflict => $conflict->with(
                    array_values(
                        array_filter(
                            $conflict->waysOut,
                            fn (WayOut $way): bool => $way->isChoice() ||
                                ($n < self::MAX_TRIED && $this->isOpen($site, $batch->with($way->changes, $way->decisions), $rights)),
                        ),
                    ),
                ),
                $ripple->toDecide->conflicts,
                array_keys($ripple->toDecide->conflicts),
            ),
        );
    }

    private function isOpen(Site $site, Batch $batch, Rights $rights): bool
    {
        try {
            $this->guarded($site, $batch, $rights);
        } catch (BeyondRights|Refusal) {
            return false;
        }

        return true;
    }
}

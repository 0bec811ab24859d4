<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;

/**
 * A plan laid over the site as it is now: the steps that still can be made, as one batch with its ripple, and those that cannot
 * any more, each with the reason. What was prepared before is never changed by this; only what can be done with it.
 */
final readonly class RebasedPlan
{
    /** Steps that are left out one after the other; beyond, something else is wrong than single steps. */
    private const MOST_REFUSED = 50;

    /**
     * @param  Batch|null  $batch  null where no step can be made
     * @param  Ripple|null  $ripple  likewise
     * @param  array<string, Refusal>  $refused  by step
     */
    private function __construct(public ?Batch $batch, public ?Ripple $ripple, public array $refused)
    {
    }

    /**
     * Cost: one plan, and one more for each step that is refused.
     *
     * @param  list<PlanStep>  $steps
     * @param  \Closure(Batch): Ripple  $plan  plans a batch on the site as it is
     *
     * @throws Refusal when it is not a step that is refused
     */
    public static function of(array $steps, Decisions $decisions, \Closure $plan): self
    {
        $refused = [];
        while ($steps !== []) {
            $batch = new Batch(array_merge(...array_map(static fn (PlanStep $step): array => $step->changes, $steps)), $decisions);
            try {
                return new self($batch, $plan($batch), $refused);
            } catch (Refusal $no) {
                $n = preg_match('/^changes\.(\d+)\./', $no->field, $of) === 1 ? self::stepOf($steps, (int) $of[1]) : null;
                if ($n === null || count($refused) >= self::MOST_REFUSED) {
                    throw $no;
                }
                $refused[$steps[$n]->id] = $no;
                array_splice($steps, $n, 1);
            }
        }

        return new self(null, null, $refused);
    }

    /** @param  list<PlanStep>  $steps */
    private static function stepOf(array $steps, int $change): ?int
    {
        foreach ($steps as $n => $step) {
            $change -= count($step->changes);
            if ($change < 0) {
                return $n;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Plans;

use App\Desk\PlanFor;
use App\Desk\Rights;
use App\Models\Plan;
use App\Models\StoredStep;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Decision\DecisionReader;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Planning\PlanStep;
use Heronstem\Core\Planning\RebasedPlan;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;

/** What a plan would do to the site as it is now, and which of its steps no longer can be made. */
final readonly class ReviewPlan
{
    public function __construct(private PlanFor $plan)
    {
    }

    /**
     * @param  list<string>|null  $only  steps that count; null for all
     *
     * @throws Refusal when it is not a step that is refused
     */
    public function of(Plan $plan, Rights $rights, ?array $only = null): RebasedPlan
    {
        $site = $plan->site;
        $steps = array_values(array_filter($this->steps($plan), static fn (PlanStep $step): bool => $only === null || in_array($step->id, $only, true)));

        return RebasedPlan::of($steps, $this->decisions($plan), fn (Batch $batch): Ripple => $this->plan->preview($site, $batch, $rights));
    }

    /** @return list<PlanStep> */
    public function steps(Plan $plan): array
    {
        $site = $plan->site;
        $reader = new ChangeReader($site->rules(), $site->zone, $site->ownAddresses());
        $steps = [];
        foreach ($plan->steps()->get() as $step) {
            /** @var StoredStep $step */
            $steps[] = new PlanStep($step->ulid, $reader->batch($step->changes)->changes);
        }

        return $steps;
    }

    public function decisions(Plan $plan): Decisions
    {
        return Decisions::of(...(new DecisionReader($plan->site->rules()))->all($plan->decisions));
    }
}

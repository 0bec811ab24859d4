<?php

declare(strict_types=1);

namespace App\Desk\Plans;

use App\Desk\OwnName;
use App\Desk\Rights;
use App\Models\Plan;
use App\Models\Site;
use App\Models\StoredStep;
use App\Models\User;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\StandsAlone;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Planning\PlanBase;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Names;
use Heronstem\Core\Ripple\RippleOutcome;
use Illuminate\Database\Connection;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** Makes plans, and adds to them and takes away what is prepared. Nothing of it is seen by visitors, or done to the site. */
final readonly class KeepPlans
{
    public const MAX_NAME = 100;

    public const MAX_DESCRIPTION = 1000;

    /** Most steps of one plan. */
    private const MAX_STEPS = 2000;

    public function __construct(private Connection $db, private ReviewPlan $review, private Names $names)
    {
    }

    /** @throws InputRefused naming the field */
    public function make(Site $site, User $user, string $name, string $description): Plan
    {
        $plan = new Plan(['site_id' => $site->id, 'user_id' => $user->id, 'base' => [], 'decisions' => []]);
        $plan->setRelation('site', $site);
        $this->describe($plan, $name, $description);

        return $plan->refresh();
    }

    /** @throws InputRefused naming the field */
    public function describe(Plan $plan, string $name, string $description): void
    {
        $name = OwnName::of($plan, $name, 'plan', self::MAX_NAME);
        $description = trim(mb_scrub(str_replace("\0", '', $description), 'UTF-8'));
        if (mb_strlen($description) > self::MAX_DESCRIPTION) {
            throw new InputRefused('description', sprintf('At most %s characters fit here.', number_format(self::MAX_DESCRIPTION)));
        }
        $plan->fill(['name' => $name, 'description' => $description])->save();
    }

    /**
     * Adds changes, planned on the site as the plan leaves it so far.
     *
     * @throws Refusal when a guard forbids one of them
     * @throws BeyondRights when something that would follow is not theirs to do
     */
    public function add(Plan $plan, User $user, Batch $batch, Rights $rights): StoredStep
    {
        foreach ($batch->changes as $i => $change) {
            if ($change instanceof Undo || $change instanceof StandsAlone) {
                throw new InputRefused("changes.$i", 'This is done to the living site alone, not prepared in a plan.');
            }
        }

        return $this->held($plan, function (Plan $plan) use ($user, $batch, $rights): StoredStep {
            if ($plan->steps()->count() >= self::MAX_STEPS) {
                throw new InputRefused(
                    'changes',
                    sprintf('A plan has at most %s steps. Switch on some of them first.', number_format(self::MAX_STEPS)),
                );
            }
            $step = new StoredStep([
                'plan_id' => $plan->id,
                'user_id' => $user->id,
                'changes' => array_map(static fn (Change $change): array => $change->toArray(), $batch->changes),
                'sentence' => '',
                'created_at' => Carbon::now(),
            ]);
            $step->ulid = (string) Str::ulid();
            $step->save();
            $plan
                ->fill([
                    'decisions' => [...$plan->decisions, ...array_map(static fn ($decision): array => $decision->toArray(), $batch->decisions->made)],
                ])
                ->save();
            $review = $this->review->of($plan, $rights);
            $refused = $review->refused[$step->ulid] ?? null;
            if ($refused !== null) {
                throw new InputRefused($refused->field, $refused->reason, $refused->suggestion);
            }
            if ($review->ripple !== null) {
                $rights->guard($review->ripple);
                $first = $batch->changes[0]->sentence(new RippleOutcome($review->ripple, $this->names));
                $more = count($batch->changes) - 1;
                $step->update([
                    'sentence' => mb_substr($first.($more > 0 ? " and $more more ".($more === 1 ? 'change' : 'changes') : ''), 0, 1000),
                ]);
                $plan->update(['base' => (new PlanBase($plan->base))->with($review->ripple)->fields]);
            }

            return $step->refresh();
        });
    }

    public function remove(Plan $plan, StoredStep $step, Rights $rights): void
    {
        $this->held($plan, function (Plan $plan) use ($step, $rights): void {
            $step->delete();
            $this->settleBase($plan, $rights);
        });
    }

    /** The plan's word holds against what somebody did to the page on the living site meanwhile. */
    public function accept(Plan $plan, string $page, Rights $rights): void
    {
        $this->held($plan, function (Plan $plan) use ($page, $rights): void {
            $ripple = $this->review->of($plan, $rights)->ripple;
            if ($ripple !== null) {
                $plan->update(['base' => (new PlanBase($plan->base))->accepting($ripple, $page)->fields]);
            }
        });
    }

    /**
     * Answers what the plan leaves open.
     *
     * @param  array<mixed>  $decisions
     *
     * @throws Refusal naming the decision
     */
    public function decide(Plan $plan, array $decisions): void
    {
        $this->held($plan, function (Plan $plan) use ($decisions): void {
            $plan->fill(['decisions' => [...$plan->decisions, ...$decisions]]);
            $this->review->decisions($plan);
            $plan->save();
        });
    }

    /**
     * Does something to a plan as it is by now: what somebody else has said of it in the same moment stays.
     *
     * @template T
     *
     * @param  \Closure(Plan): T  $work
     * @return T
     */
    private function held(Plan $plan, \Closure $work): mixed
    {
        return $this->db->transaction(function () use ($plan, $work): mixed {
            $plan->hold();
            $this->guardOpen($plan);

            return $work($plan);
        });
    }

    /** What steps that are left still change, so that nothing is asked of what is no longer prepared. */
    private function settleBase(Plan $plan, Rights $rights): void
    {
        $ripple = $this->review->of($plan, $rights)->ripple;
        $plan->update(['base' => $ripple === null ? [] : (new PlanBase($plan->base))->with($ripple)->fields]);
    }

    private function guardOpen(Plan $plan): void
    {
        if ($plan->state !== 'open') {
            throw new InputRefused('plan', 'This plan is switched on already. The history can undo it; prepare more in another one.');
        }
    }
}

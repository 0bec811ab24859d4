<?php

declare(strict_types=1);

namespace App\Desk\Plans;

use App\Desk\ApplyChanges;
use App\Desk\Rights;
use App\Desk\RightsOn;
use App\Desk\RippleChanged;
use App\Desk\UnderWay\SizeOfBatch;
use App\Models\HistoryEntry;
use App\Models\Plan;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Planning\PlanBase;
use Heronstem\Core\Planning\RebasedPlan;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\Connection;
use Illuminate\Support\Carbon;

/** Switches a plan on: all its steps, or some of them first, as one change that the history can undo. */
final readonly class SwitchPlan
{
    public function __construct(private Connection $db, private ReviewPlan $review, private ApplyChanges $apply, private SizeOfBatch $size)
    {
    }

    /**
     * @param  list<string>|null  $only  steps that are switched on; the others stay in the plan
     * @param  string|null  $seen  digest of the ripple that was shown
     *
     * @throws Refusal when something in it cannot be, or contradicts the living site
     * @throws BeyondRights when something that would follow is not theirs to do
     * @throws RippleChanged when a decision is open, or the ripple is not the one seen
     */
    public function on(Plan $plan, ?User $user, Rights $rights, ?array $only = null, ?string $seen = null, string $note = ''): HistoryEntry
    {
        return $this->switched(
            $plan,
            $rights,
            $only,
            $note,
            fn (Site $site, Batch $batch, string $note): HistoryEntry => $this->apply->apply($site, $user, $batch, $seen, $note, $rights),
        );
    }

    /**
     * The same, of a large one for which nobody waits.
     *
     * @param  list<string>|null  $only
     * @param  \Closure(Ripple): void  $planned  is told what is going to be written; what it throws stops it
     *
     * @throws Refusal|BeyondRights|RippleChanged as on() does
     */
    public function inBackground(
        Plan $plan,
        User $user,
        Rights $rights,
        ?array $only,
        ?string $seen,
        string $note,
        bool $confirmed,
        \Closure $planned,
    ): HistoryEntry {
        return $this->switched(
            $plan,
            $rights,
            $only,
            $note,
            fn (Site $site, Batch $batch, string $note): HistoryEntry => $this->apply->inBackground(
                $site,
                $user,
                $batch,
                $seen,
                $note,
                $rights,
                $confirmed,
                $planned,
            ),
        );
    }

    /**
     * About how many pages it concerns, known without working out what follows.
     *
     * @param  list<string>|null  $only
     */
    public function size(Plan $plan, ?array $only): int
    {
        $changes = [];
        foreach ($this->review->steps($plan) as $step) {
            if ($only === null || in_array($step->id, $only, true)) {
                array_push($changes, ...$step->changes);
            }
        }

        return $changes === [] ? 0 : $this->size->pages(Batch::of(...$changes), $plan->site);
    }

    /**
     * @param  list<string>|null  $only
     * @param  \Closure(Site, Batch, string): HistoryEntry  $apply
     */
    private function switched(Plan $plan, Rights $rights, ?array $only, string $note, \Closure $apply): HistoryEntry
    {
        return $this->db->transaction(function () use ($plan, $rights, $only, $note, $apply): HistoryEntry {
            $plan = Plan::query()->whereKey($plan->id)->lockForUpdate()->firstOrFail();
            if ($plan->state !== 'open') {
                throw new InputRefused('plan', 'This plan is switched on already.');
            }
            $review = $this->review->of($plan, $rights, $only);
            $this->guard($plan, $review);
            $batch = $review->batch ?? throw new InputRefused('plan', 'Nothing is prepared in this plan.');
            $entry = $apply($plan->site, $batch, $note === '' ? "Plan: {$plan->name}" : $note);
            $this->settle($plan, $only, $entry);

            return $entry;
        });
    }

    /** Plans whose moment has come. What cannot be switched on then stays as it is, and says why. */
    public function carryOutDue(): int
    {
        $done = 0;
        foreach (
            Plan::query()->where('state', 'open')->whereNotNull('switch_at')->where('switch_at', '<=', Carbon::now())->orderBy('switch_at')->get() as $plan
        ) {
            $user = User::query()->find($plan->switched_by);
            try {
                // Rights may have ended since it was set.
                $user === null
                    ? throw new InputRefused('plan', 'Whoever set the moment is gone. Switch it on by hand, or set another one.')
                    : $this->on($plan, $user, (new RightsOn($this->db))->of($user, $plan->site));
                $done++;
            } catch (Refusal|BeyondRights|RippleChanged $no) {
                $plan->update([
                    'switch_at' => null,
                    'problem' => 'It was not switched on at its moment: '.($no instanceof Refusal ? $no->reason : $no->getMessage()),
                ]);
            }
        }

        return $done;
    }

    /** @throws InputRefused when the moment is over */
    public function at(Plan $plan, User $user, ?Carbon $moment): void
    {
        if ($moment !== null && ! $moment->isFuture()) {
            throw new InputRefused('at', 'This moment is over. Choose one that is to come, or switch it on now.');
        }
        $plan->update(['switch_at' => $moment, 'switched_by' => $moment === null ? null : $user->id, 'problem' => null]);
    }

    /** @throws InputRefused */
    private function guard(Plan $plan, RebasedPlan $review): void
    {
        if ($review->refused !== []) {
            $first = array_values($review->refused)[0];
            throw new InputRefused(
                'plan',
                sprintf(
                    '%s can no longer be made: %s Remove it from the plan, or mend what stands in its way.',
                    count($review->refused) === 1 ? 'One step' : count($review->refused).' steps',
                    $first->reason,
                ),
            );
        }
        $against = $review->ripple === null ? [] : (new PlanBase($plan->base))->contradictions($review->ripple);
        if ($against !== []) {
            throw new InputRefused(
                'plan',
                sprintf('“%s” was changed on the living site since this was prepared. Say in the plan which of the two holds.', $against[0]->name),
            );
        }
    }

    /** @param  list<string>|null  $only */
    private function settle(Plan $plan, ?array $only, HistoryEntry $entry): void
    {
        if ($only !== null) {
            $plan->steps()->whereIn('ulid', $only)->delete();
        }
        $isDone = $only === null || $plan->steps()->doesntExist();
        if ($isDone) {
            $plan->update(['state' => 'applied', 'entry' => $entry->ulid, 'switch_at' => null, 'problem' => null, 'token' => null]);

            return;
        }
        $left = $this->review->of($plan, Rights::of(Authority::Owner))->ripple;
        $plan->update(['base' => $left === null ? [] : (new PlanBase())->with($left)->fields]);
    }
}

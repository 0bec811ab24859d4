<?php

declare(strict_types=1);

namespace App\Desk\Plans;

use App\Desk\ApplyChanges;
use App\Desk\Rights;
use App\Models\Plan;
use App\Models\Site;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\Connection;

/**
 * The site as a plan would leave it: the plan is applied, the site looked at, and everything taken back, in one transaction. So
 * what is seen is what would be, by the same code, in every view.
 */
final readonly class SeenAsPlanned
{
    public function __construct(private Connection $db, private ReviewPlan $review, private ApplyChanges $apply, private Container $container)
    {
    }

    /**
     * What cannot be made any more, or is open, is left as it is on the site.
     *
     * @template T
     *
     * @param  \Closure(): T  $look
     * @return T
     */
    public function during(Plan $plan, \Closure $look): mixed
    {
        $this->withoutSharedCache();
        /** @var list<T> $seen */
        $seen = [];
        try {
            $this->db->transaction(function () use ($plan, $look, &$seen): never {
                $this->lay($plan);
                $seen = [$look()];
                throw new TakenBack();
            });
        } catch (TakenBack) {
            // Everything is as it was.
        }

        return $seen[0] ?? throw new \LogicException('Nothing was looked at.');
    }

    /** The plan's changes as they stand, written in the transaction around it. */
    private function lay(Plan $plan): void
    {
        $rights = Rights::of(Authority::Owner);
        $review = $this->review->of($plan, $rights);
        if ($review->batch !== null && $review->ripple?->canBeApplied() === true && ! $review->ripple->changesNothing()) {
            $this->apply->apply(Site::query()->findOrFail($plan->site_id), null, $review->batch, null, '', $rights);
        }
    }

    /** What is kept of menus and sitemaps is kept of the living site. */
    private function withoutSharedCache(): void
    {
        config(['cache.default' => 'array']);
        $this->container->forgetInstance('cache.store');
    }
}

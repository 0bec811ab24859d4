<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use App\Desk\ApplyChanges;
use App\Desk\PlanFor;
use App\Desk\Rights;
use App\Desk\RippleChanged;
use App\Jobs\RefreshReach;
use App\Models\Site;
use App\Models\User;
use App\Store\FindingSnapshot;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\Connection;

/**
 * Says which findings a batch would bring or take, and how far pages would be from the start page: the batch is applied, the
 * site looked at, and everything taken back, in one transaction. So what is foreseen is what would be, by the same code.
 */
final readonly class ForeseeFindings
{
    /**
     * @param  int  $maxChanged  pages of a batch up to which this is done while somebody waits
     * @param  int  $maxPages  and of a site
     */
    public function __construct(
        private Connection $db,
        private PlanFor $plan,
        private ApplyChanges $apply,
        private AuditSite $audit,
        private Container $container,
        private int $maxChanged = 300,
        private int $maxPages = 3000,
    ) {
    }

    /**
     * @throws BeyondRights when something that would follow is not theirs to do
     * @throws Refusal when a guard forbids a change
     */
    public function of(Site $site, User $user, Batch $batch, Rights $rights): Foresight
    {
        $ripple = $this->plan->of($site, $batch, $rights);
        if (! $ripple->canBeApplied()) {
            return Foresight::open();
        }
        if ($ripple->changesNothing()) {
            return Foresight::nothing();
        }
        if ($this->isLarge($site, $ripple)) {
            return Foresight::large();
        }
        // What earlier changes brought is no work of this one.
        $this->settle($site);
        try {
            $this->db->transaction(function () use ($site, $user, $batch, $rights): never {
                $before = FindingSnapshot::of($this->db, $site);
                $tried = Site::query()->findOrFail($site->id);
                $this->apply->apply($tried, $user, $batch, null, '', $rights);
                $this->settle($tried);
                throw new Tried(Foresight::between($before, FindingSnapshot::of($this->db, $tried)));
            });
        } catch (Tried $tried) {
            return $tried->seen;
        } catch (RippleChanged) {
            return Foresight::open();
        }
    }

    private function settle(Site $site): void
    {
        $this->container->call([new RefreshReach($site->id), 'workOut']);
        $this->audit->run($site);
    }

    private function isLarge(Site $site, Ripple $ripple): bool
    {
        $pages = (int) $this->db->scalar('select count(*) from (select 1 from pages where site_id = ? limit ?) p', [$site->id, $this->maxPages + 1]);
        $changed = $ripple->search->settings?->concernsPages() === true ? $pages : count($ripple->pages->outcome);

        return $changed > $this->maxChanged || $pages > $this->maxPages;
    }
}

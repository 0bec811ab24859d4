<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Desk\ApplyChanges;
use App\Desk\BringIn\ApplySource;
use App\Desk\BringIn\GiveBackSource;
use App\Desk\ConfirmFirst;
use App\Desk\Plans\SwitchPlan;
use App\Desk\RightsOn;
use App\Desk\RippleChanged;
use App\Models\ChangeUnderWay;
use App\Models\Plan;
use App\Store\Ticks;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Illuminate\Database\Connection;

/** Makes a large change in the background: in one step, or not at all. */
final readonly class CarryOut
{
    public function __construct(
        private Connection $db,
        private ApplyChanges $apply,
        private AskedBatch $asked,
        private Heartbeat $beat,
        private Ticks $ticks,
        private RightsOn $rights,
        private SwitchPlan $switch,
        private ApplySource $source,
        private GiveBackSource $giveBack,
    ) {
    }

    public function of(ChangeUnderWay $change): void
    {
        if ($change->ended_at !== null && $change->state !== 'failed') {
            return;
        }
        // One that failed is tried again by whoever looks after what runs in the background.
        $change->update(['state' => 'waiting', 'ended_at' => null, 'problem' => null]);
        try {
            $this->beat->begin($change, 'planning', 0);
            $this->ticks->tell(fn (int $rows) => $this->beat->step($change, $rows));
            $this->db->transaction(fn () => $this->apply($change));
        } catch (Refusal|BeyondRights|ConfirmFirst|SiteBusy $no) {
            $this->end($change, 'refused', $no instanceof Refusal ? $no->reason : $no->getMessage());
        } catch (RippleChanged $no) {
            $this->end($change, 'refused', $no->getMessage(), true);
        } catch (Stopped $stopped) {
            $this->end($change, 'stopped', $stopped->getMessage());
        } finally {
            $this->ticks->tell(null);
        }
    }

    /** That it is done is written with what it did, so that neither is ever without the other. */
    private function apply(ChangeUnderWay $change): void
    {
        $site = $change->site;
        $user = $change->user ?? throw new Stopped('Whoever asked for it has no account any more. Nothing was changed.');
        // Rights may have ended since it was begun.
        $rights = $this->rights->of($user, $site);
        $planned = fn (Ripple $ripple) => $this->beat->begin($change, 'writing', self::rows($ripple));
        $asked = $change->asked;
        $entry = match (true) {
            isset($asked['plan']) => $this->switch->inBackground(
                Plan::query()->where('site_id', $site->id)->where('ulid', $asked['plan'])->first() ??
                    throw new Stopped('The plan is not there any more. Nothing was changed.'),
                $user,
                $rights,
                $asked['only'] ?? null,
                $change->digest,
                $change->note,
                $change->confirmed,
                $planned,
            ),
            isset($asked['import']) => $this->source->inBackground(
                $site,
                $asked['import'],
                $user,
                $rights,
                $asked['decisions'],
                $change->digest,
                $change->note,
                $change->confirmed,
                $planned,
            ),
            default => $this->apply->inBackground(
                $site,
                $user,
                $this->asked->read($site, $asked),
                $change->digest,
                $change->note,
                $rights,
                $change->confirmed,
                $planned,
            ),
        };
        $this->ticks->tell(null);
        $change->update(['state' => 'done', 'entry_id' => $entry->id, 'ended_at' => now()]);
    }

    private function end(ChangeUnderWay $change, string $state, string $problem, bool $lookAgain = false): void
    {
        $change->update(['state' => $state, 'problem' => $problem, 'look_again' => $lookAgain, 'ended_at' => now()]);
        $this->giveBack->after($change);
    }

    /** What is written, each time that it is. */
    private static function rows(Ripple $ripple): int
    {
        return max(1, 2 * (count($ripple->pages->differences) + count($ripple->addresses->claims)));
    }
}

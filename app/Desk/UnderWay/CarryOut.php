<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Desk\ApplyChanges;
use App\Desk\ConfirmFirst;
use App\Desk\RightsOn;
use App\Desk\RippleChanged;
use App\Models\ChangeUnderWay;
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
        $entry = $this->apply->inBackground(
            $site,
            $user,
            $this->asked->read($site, $change->asked),
            $change->digest,
            $change->note,
            // Rights may have ended since it was begun.
            $this->rights->of($user, $site),
            $change->confirmed,
            fn (Ripple $ripple) => $this->beat->begin($change, 'writing', self::rows($ripple)),
        );
        $this->ticks->tell(null);
        $change->update(['state' => 'done', 'entry_id' => $entry->id, 'ended_at' => now()]);
    }

    private function end(ChangeUnderWay $change, string $state, string $problem, bool $lookAgain = false): void
    {
        $change->update(['state' => $state, 'problem' => $problem, 'look_again' => $lookAgain, 'ended_at' => now()]);
    }

    /** What is written, each time that it is. */
    private static function rows(Ripple $ripple): int
    {
        return max(1, 2 * (count($ripple->pages->differences) + count($ripple->addresses->claims)));
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Desk\BringIn\GiveBackSource;
use App\Models\ChangeUnderWay;
use App\Models\Site;
use App\Models\User;

/** Large changes of a site that are under way, and the stopping of one. */
final readonly class ReadUnderWay
{
    /** Seconds without a sign of life after which one is asked whether it still holds the site. */
    private const SILENT = 30;

    public function __construct(private SiteLock $lock, private GiveBackSource $giveBack)
    {
    }

    /** @return list<ChangeUnderWay> at most one, unless a worker was killed and another change began */
    public function running(Site $site): array
    {
        $this->closeDead($site);

        return array_values(
            ChangeUnderWay::query()->with('user', 'entry')->where('site_id', $site->id)->whereNull('ended_at')->orderBy('id')->get()->all(),
        );
    }

    /** Asks it to stop; it does so as long as it has not been written. */
    public function stop(ChangeUnderWay $change, User $by, bool $ownsSite): bool
    {
        if ($change->user_id !== $by->id && ! $ownsSite) {
            return false;
        }
        $waiting = ChangeUnderWay::query()
            ->whereKey($change->id)
            ->where('state', 'waiting')
            ->update(['state' => 'stopped', 'ended_at' => now(), 'problem' => 'It was stopped before it began.']);
        if ($waiting > 0) {
            $this->giveBack->after($change->refresh());
        } else {
            ChangeUnderWay::query()
                ->whereKey($change->id)
                ->whereNull('ended_at')
                ->update(['stop_asked' => true]);
        }

        return true;
    }

    /** One whose worker was killed says nothing any more and holds nothing: what it had begun was taken back by the database. */
    private function closeDead(Site $site): void
    {
        $silent = ChangeUnderWay::query()
            ->where('site_id', $site->id)
            ->whereNull('ended_at')
            ->whereIn('state', ['planning', 'writing'])
            ->where('beat_at', '<', now()->subSeconds(self::SILENT));
        if ($silent->exists() && ! $this->lock->isHeld($site)) {
            $dead = $silent->get();
            $silent->update([
                'state' => 'failed',
                'ended_at' => now(),
                'problem' => 'The work in the background ended before it was done, for instance since the machine was switched off. Nothing was changed. Try again.',
            ]);
            $dead->each(fn (ChangeUnderWay $change) => $this->giveBack->after($change->refresh()));
        }
    }
}

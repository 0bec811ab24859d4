<?php

declare(strict_types=1);

namespace App\Desk;

use App\Jobs\RefreshReach;
use App\Models\HistoryEntry;
use App\Models\Site;
use App\Models\User;
use App\Store\RippleWriter;
use Heronstem\Core\Refusal;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\Ripple;
use Illuminate\Database\ConnectionInterface;

/** Applies a batch: one transaction, one batch at a time on a site, one history entry with the exact inverse. */
final readonly class ApplyChanges
{
    public function __construct(private ConnectionInterface $db, private Planners $planners, private RippleWriter $writer, private Sentences $sentences, private PublishWords $publish)
    {
    }

    /**
     * @param  string|null  $seen  digest of the ripple that was shown; null to apply whatever follows
     *
     * @throws Refusal when a guard forbids a change
     * @throws Stale when the ripple is no longer the one seen, or has an open conflict; nothing is written
     */
    public function apply(Site $site, ?User $user, Batch $batch, ?string $seen = null, string $note = ''): HistoryEntry
    {
        return $this->db->transaction(function () use ($site, $user, $batch, $seen, $note): HistoryEntry {
            $this->db->select('select pg_advisory_xact_lock(?, ?)', [crc32('heronstem.site') & 0x7FFFFFFF, $site->id]);
            $site->refresh();
            $ripple = $this->planners->for($site)->plan($batch);
            if (! $ripple->canBeApplied()) {
                throw new Stale($ripple, 'A decision is open: an address that this change wants is held by something else.');
            }
            if ($seen !== null && $seen !== $ripple->digest()) {
                throw new Stale($ripple, 'Somebody changed the site meanwhile, so this would no longer do what you saw. Look at it again.');
            }
            if ($ripple->changesNothing()) {
                throw new ChangeRefused('changes', 'Nothing would change: it is like this already.');
            }
            $entry = $this->record($site, $user, $batch, $ripple, $note);
            $this->writer->write($ripple, $site, $entry);
            $this->publish->forPages($ripple->goLive);
            RefreshReach::dispatch($site->id)->afterCommit();

            return $entry;
        });
    }

    private function record(Site $site, ?User $user, Batch $batch, Ripple $ripple, string $note): HistoryEntry
    {
        $takenBack = $batch->takesBack() === null ? null : HistoryEntry::query()->where('site_id', $site->id)->where('ulid', $batch->takesBack()->entry)->firstOrFail();
        $entry = HistoryEntry::query()->create([
            'site_id' => $site->id,
            'user_id' => $user?->id,
            'sentence' => $takenBack === null ? $this->sentences->of($batch, $ripple) : 'Took back: '.$takenBack->sentence,
            'batch' => array_map(static fn ($change): array => $change->toArray(), $batch->changes),
            'counts' => [
                'addresses' => count($ripple->moves), 'redirects' => count($ripple->redirectsWritten),
                'menu' => count($ripple->menu), 'links' => $ripple->linksFollow,
            ],
            'pages' => array_map(static fn ($difference): array => $difference->toArray(), $ripple->pages),
            'claims' => array_map(static fn ($difference): array => $difference->toArray(), $ripple->claims),
            'note' => $note,
            'takes_back_id' => $takenBack?->id,
        ]);
        $takenBack?->update(['taken_back_by_id' => $entry->id]);

        return $entry;
    }
}

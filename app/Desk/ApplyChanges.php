<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Accounts\Happened;
use App\Desk\Accounts\SecurityLog;
use App\Desk\Accounts\SignedInLately;
use App\Desk\BringIn\WorkOutBringIn;
use App\Desk\Outside\TellEngines;
use App\Desk\Replace\ReplaceTexts;
use App\Desk\UnderWay\SiteBusy;
use App\Desk\UnderWay\SiteLock;
use App\Jobs\RefreshReach;
use App\Models\HistoryEntry;
use App\Models\Site;
use App\Models\User;
use App\Store\AuditQueue;
use App\Store\DuePages;
use App\Store\RippleWriter;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Planning\WeightyEffects;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\Connection;
use Illuminate\Database\UniqueConstraintViolationException;

/** Applies a batch: one transaction, one batch at a time on a site, one history entry with the exact inverse. */
final readonly class ApplyChanges
{
    public function __construct(
        private Connection $db,
        private Planners $planners,
        private PlanFor $plan,
        private RippleWriter $writer,
        private RecordEntry $record,
        private RewriteLinks $rewrite,
        private DuePages $due,
        private AuditQueue $audit,
        private TellEngines $engines,
        private ReplaceTexts $replace,
        private WorkOutBringIn $bringIn,
        private NumberContents $contents,
        private FillPlaceholders $fill,
        private SignedInLately $lately,
        private SecurityLog $log,
        private ReviewLetters $letters,
        private SiteLock $lock,
    ) {
    }

    /**
     * @param  string|null  $seen  digest of the ripple that was shown; null to apply whatever follows
     * @param  Rights|null  $rights  of whoever asks; null for what the installation itself does
     *
     * @throws ConfirmFirst when it weighs, and it is some time since they signed in
     * @throws BeyondRights when something that would follow is not theirs to do
     * @throws Refusal when a guard forbids a change
     * @throws RippleChanged when the ripple is no longer the one seen, or a decision is open; nothing is written
     * @throws SiteBusy while a change that takes long is being written
     */
    public function apply(Site $site, ?User $user, Batch $batch, ?string $seen = null, string $note = '', ?Rights $rights = null): HistoryEntry
    {
        return $this->locked(
            $site,
            $rights !== null,
            fn (): HistoryEntry => $this->applied($site, $user, $batch, $seen, $note, $rights, $this->lately->guard(...)),
        );
    }

    /**
     * The same, of a large change for which nobody waits.
     *
     * @param  bool  $confirmed  whoever asked had shown lately that it is them
     * @param  \Closure(Ripple): void  $planned  is told what is going to be written; what it throws stops it
     *
     * @throws ConfirmFirst|BeyondRights|Refusal|RippleChanged|SiteBusy as apply() does
     */
    public function inBackground(
        Site $site,
        User $user,
        Batch $batch,
        ?string $seen,
        string $note,
        Rights $rights,
        bool $confirmed,
        \Closure $planned,
    ): HistoryEntry {
        $confirm = static fn () => $confirmed ||
            throw new ConfirmFirst('You signed in a while ago, and this is a sensitive change. Apply it again, and type your password.');

        return $this->locked($site, false, fn (): HistoryEntry => $this->applied($site, $user, $batch, $seen, $note, $rights, $confirm, $planned));
    }

    /**
     * @param  \Closure(): mixed  $confirm  is asked where it weighs
     * @param  (\Closure(Ripple): void)|null  $planned
     */
    private function applied(
        Site $site,
        ?User $user,
        Batch $batch,
        ?string $seen,
        string $note,
        ?Rights $rights,
        \Closure $confirm,
        ?\Closure $planned = null,
    ): HistoryEntry {
        $this->carryOut($site);
        $isAsked = $rights !== null;
        $rights ??= Rights::of(Authority::Manager);
        $batch = $this->plan->workedOut($site, $batch, $rights);
        $ripple = $this->plan->of($site, $batch, $rights);
        $this->guard($ripple, $seen, $batch);
        if ($isAsked && WeightyEffects::isIn($ripple)) {
            $confirm();
        }
        $planned === null || $planned($ripple);

        $entry = $this->write($site, $user, $batch, $ripple, $note);
        if ($isAsked && ($ripple->access->settings !== null || $ripple->visitors->changes !== [])) {
            $this->log->note(Happened::RightsChanged, $user, site: $site, detail: str_replace('*', '', $entry->sentence));
        }
        if ($isAsked && $user !== null) {
            $this->letters->after($ripple, $site, $user);
        }

        return $entry;
    }

    /** Puts pages live and takes them offline whose moment has come; says how many. */
    public function carryOutSchedule(Site $site): int
    {
        return $this->locked($site, false, fn (): int => $this->carryOut($site));
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    private function locked(Site $site, bool $isWatched, \Closure $work): mixed
    {
        return $this->db->transaction(function () use ($site, $isWatched, $work): mixed {
            $this->lock->take($site, $isWatched);
            $site->refresh();

            return $work();
        });
    }

    private function carryOut(Site $site): int
    {
        $changes = $this->due->changes($site);
        if ($changes !== []) {
            $batch = Batch::of(...$changes);
            $this->write($site, null, $batch, $this->planners->for($site)->plan($batch), '');
        }

        return count($changes);
    }

    private function guard(Ripple $ripple, ?string $seen, Batch $batch): void
    {
        if (! $ripple->canBeApplied()) {
            throw new RippleChanged(
                $ripple,
                $ripple->toDecide->conflicts === []
                    ? 'A decision is open: choose, or take the defaults, and apply again.'
                    : 'A decision is open: an address that this change wants is held by something else.',
            );
        }
        if ($seen !== null && $seen !== $ripple->digest()) {
            throw new RippleChanged($ripple, 'Somebody changed the site meanwhile, so this would no longer do what you saw. Review it again.');
        }
        if ($ripple->changesNothing()) {
            throw new InputRefused(
                'changes',
                $batch->undoes() === [] ? 'Nothing would change: it is like this already.' : $this->nothingLeft($ripple),
            );
        }
    }

    private function nothingLeft(Ripple $ripple): string
    {
        $note = $ripple->toDecide->notes[0] ?? null;

        return 'Nothing of it is left to undo'.
            ($note === null
                ? '. Links that became links to pages stay so; the history of each page has its content as it was before.'
                : ": “{$note->name}” has changed again since. Undo the later change first, or set it by hand.");
    }

    /** Identities are chosen by whoever asks, and are one of a kind over all sites. */
    private function written(Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        try {
            $this->writer->write($ripple, $site, $entry);
        } catch (UniqueConstraintViolationException $error) {
            preg_match('/constraint "(\w+)"/', $error->getMessage(), $found);
            $field = match (true) {
                str_starts_with($found[1] ?? '', 'pages_ulid') => 'page',
                str_starts_with($found[1] ?? '', 'menu_entries_ulid') => 'entries',
                str_starts_with($found[1] ?? '', 'menus_ulid') => 'menu',
                str_starts_with($found[1] ?? '', 'redirect_rules_ulid') => 'redirect',
                default => throw $error,
            };
            throw new InputRefused("changes.$field", 'This identity is in use already, here or on another site. Choose a new one.');
        }
    }

    private function write(Site $site, ?User $user, Batch $batch, Ripple $ripple, string $note): HistoryEntry
    {
        $entry = $this->record->of($site, $user, $batch, $ripple, $note);
        $this->audit->before($ripple, $site);
        $this->replace->keep($batch, $user);
        $this->bringIn->keepBefore($batch, $site, $user);
        $new = $this->contents->keepBefore($batch, $ripple, $user);
        $this->written($ripple, $site, $entry);
        $this->bringIn->keepAfter($batch, $site, $user);
        $this->contents->keepAfter($new, $user);
        $this->fill->after($batch);
        $this->bringIn->done($batch, $site, $entry->ulid);
        $this->rewrite->after($ripple, $site, $user);
        $this->audit->after($ripple, $site, $entry);
        $this->engines->after($ripple, $site);
        // Not before: whoever is one of a kind is so from its dispatch on, also where what it follows is taken back.
        $this->db->afterCommit(static fn () => RefreshReach::dispatch($site->id));

        return $entry;
    }
}

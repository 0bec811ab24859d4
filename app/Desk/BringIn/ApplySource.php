<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\ApplyChanges;
use App\Desk\ConfirmFirst;
use App\Desk\Design\SiteDesign;
use App\Desk\Rights;
use App\Desk\RightsOn;
use App\Desk\RippleChanged;
use App\Desk\UnderWay\BeginLarge;
use App\Jobs\BringInSource;
use App\Models\HistoryEntry;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\Connection;

/** Brings something in in the background: in one step, or not at all. */
final readonly class ApplySource
{
    public function __construct(private ApplyChanges $apply, private Connection $db, private BeginLarge $large)
    {
    }

    /**
     * @param  array<mixed>  $decisions  as a batch takes them
     *
     * @throws Refusal naming what cannot be
     */
    public function begin(SiteImport $import, User $user, array $decisions, ?string $digest, string $note): SiteImport
    {
        $this->batch($import, $decisions);
        $begun = SiteImport::query()
            ->whereKey($import->id)
            ->where('state', 'ready')
            ->update(['state' => 'applying', 'problem' => null]);
        if ($begun === 0) {
            throw new InputRefused('import', 'This is being imported, or was imported already.');
        }
        $asked = ['import' => $import->ulid, 'decisions' => $decisions, 'defaults' => true];
        try {
            $large = $this->large->ofSize(
                $import->total,
                $import->site,
                $user,
                $asked,
                static fn (): string => "Importing {$import->name}",
                $digest,
                $note,
            );
        } catch (InputRefused $no) {
            $import->refresh()->update(['state' => 'ready']);
            throw $no;
        }
        if ($large === null) {
            BringInSource::dispatch($import->id, $user->id, $decisions, $digest, $note);
        }

        return $import->refresh();
    }

    /** @param  array<mixed>  $decisions */
    public function goOn(SiteImport $import, User $user, array $decisions, ?string $digest, string $note): void
    {
        try {
            // Rights may have ended since it was begun.
            $rights = (new RightsOn($this->db))->of($user, $import->site);
            $this->made(
                $import,
                $rights,
                $decisions,
                fn (Batch $batch): HistoryEntry => $this->apply->apply($import->site, $user, $batch, $digest, $note, $rights),
            );
        } catch (Refusal|RippleChanged|BeyondRights|ConfirmFirst $no) {
            $import->refresh()->update(['state' => 'ready', 'problem' => $no instanceof Refusal ? $no->reason : $no->getMessage()]);
        }
    }

    /**
     * What is large, told to everybody while it is made.
     *
     * @param  array<mixed>  $decisions
     * @param  \Closure(Ripple): void  $planned
     *
     * @throws Refusal|RippleChanged|BeyondRights|ConfirmFirst
     */
    public function inBackground(
        Site $site,
        string $ulid,
        User $user,
        Rights $rights,
        array $decisions,
        ?string $digest,
        string $note,
        bool $confirmed,
        \Closure $planned,
    ): HistoryEntry {
        $import = SiteImport::query()->where('site_id', $site->id)->where('ulid', $ulid)->where('state', 'applying')->first();
        $import ?? throw new InputRefused('import', 'What was given is not there any more. Give it again.');

        return $this->made(
            $import,
            $rights,
            $decisions,
            fn (Batch $batch): HistoryEntry => $this->apply->inBackground($site, $user, $batch, $digest, $note, $rights, $confirmed, $planned),
        );
    }

    /**
     * @param  array<mixed>  $decisions
     * @param  \Closure(Batch): HistoryEntry  $apply
     */
    private function made(SiteImport $import, Rights $rights, array $decisions, \Closure $apply): HistoryEntry
    {
        $begins = $import->site->pages()->doesntExist() && $rights->authority === Authority::Owner;
        $entry = $apply($this->batch($import, $decisions));
        $begins && self::name($import);

        return $entry;
    }

    /** A site that begins with a site file says of itself what that says, where it says nothing yet. Its name and address are its own. */
    private static function name(SiteImport $import): void
    {
        $said = $import->understood['records']['site'] ?? [];
        foreach (
            ['shortName' => ['short_name', 30], 'tagline' => ['tagline', 120], 'summary' => ['description', 500]] as $field => [$column, $most]
        ) {
            if ((string) $import->site->{$column} === '' && is_string($said[$field] ?? null)) {
                $import->site->{$column} = mb_substr(OneLine::typed($said[$field]), 0, $most);
            }
        }
        if ((string) $import->site->design === '' && in_array($said['design'] ?? null, SiteDesign::all(), true)) {
            $import->site->design = $said['design'];
        }
        $import->site->save();
    }

    /** @param  array<mixed>  $decisions */
    private function batch(SiteImport $import, array $decisions): Batch
    {
        $site = $import->site;

        return (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch(
            [['kind' => 'bring-in', 'import' => $import->ulid]],
            $decisions,
            WhenUnanswered::TakesDefault,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\ApplyChanges;
use App\Desk\ConfirmFirst;
use App\Desk\RightsOn;
use App\Desk\RippleChanged;
use App\Jobs\BringInSource;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Illuminate\Database\Connection;

/** Brings something in in the background: in one step, or not at all. */
final readonly class ApplySource
{
    public function __construct(private ApplyChanges $apply, private Connection $db)
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
        $begun = SiteImport::query()->whereKey($import->id)->where('state', 'ready')->update(['state' => 'applying', 'problem' => null]);
        if ($begun === 0) {
            throw new InputRefused('import', 'This is being brought in, or was brought in already.');
        }
        BringInSource::dispatch($import->id, $user->id, $decisions, $digest, $note);

        return $import->refresh();
    }

    /** @param  array<mixed>  $decisions */
    public function goOn(SiteImport $import, User $user, array $decisions, ?string $digest, string $note): void
    {
        try {
            // Rights may have ended since it was begun.
            $rights = (new RightsOn($this->db))->of($user, $import->site);
            $this->apply->apply($import->site, $user, $this->batch($import, $decisions), $digest, $note, $rights);
        } catch (Refusal|RippleChanged|BeyondRights|ConfirmFirst $no) {
            $import->refresh()->update(['state' => 'ready', 'problem' => $no instanceof Refusal ? $no->reason : $no->getMessage()]);
        }
    }

    /** @param  array<mixed>  $decisions */
    private function batch(SiteImport $import, array $decisions): Batch
    {
        $site = $import->site;

        return (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch([['kind' => 'bring-in', 'import' => $import->ulid]], $decisions, WhenUnanswered::TakesDefault);
    }
}

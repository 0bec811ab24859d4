<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Models\ChangeUnderWay;
use App\Models\SiteImport;

/** An import that was to be made in the background and was not: it can be looked at and applied again, and says why. */
final class GiveBackSource
{
    public function after(ChangeUnderWay $change): void
    {
        if (isset($change->asked['import'])) {
            SiteImport::query()
                ->where('site_id', $change->site_id)
                ->where('ulid', $change->asked['import'])
                ->where('state', 'applying')
                ->update(['state' => 'ready', 'problem' => $change->problem]);
        }
    }
}

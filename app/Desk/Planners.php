<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\Places;
use App\Desk\Design\ReadLayouts;
use App\Models\Site;
use App\Store\StoredAccess;
use App\Store\StoredLedger;
use App\Store\StoredLinks;
use App\Store\StoredMenus;
use App\Store\StoredPages;
use App\Store\StoredRules;
use App\Store\StoredStartingPoints;
use Heronstem\Core\Planning\Planner;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\ConnectionInterface;

/** The core's planner over the stored site. */
final readonly class Planners
{
    public function __construct(private ConnectionInterface $db, private ReadLayouts $layouts)
    {
    }

    public function for(Site $site, ?Rights $rights = null): Planner
    {
        return new Planner(
            $site->context(
                $rights->authority ?? Authority::Manager,
                Places::all(),
                $this->layouts->all()->withDefaults($site->searchSettings()->fieldDefaults),
                new StoredStartingPoints($site),
                new StoredAccess($this->db, $site),
                $rights?->writesCode() ?? false,
            ),
            new StoredPages($this->db, $site),
            new StoredLedger($this->db, $site),
            new StoredLinks($this->db, $site),
            new StoredMenus($this->db, $site),
            new StoredRules($this->db, $site),
        );
    }
}

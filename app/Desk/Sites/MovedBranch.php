<?php

declare(strict_types=1);

namespace App\Desk\Sites;

use App\Models\SiteImport;
use Heronstem\Core\Ripple\Ripple;

/** What moving a branch to another site would do on both. */
final readonly class MovedBranch
{
    public function __construct(public SiteImport $import, public Ripple $there, public Ripple $here)
    {
    }
}

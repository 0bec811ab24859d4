<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use App\Models\Site;

/** Port: asks a site for an address as any visitor would. */
interface AsksSite
{
    public function ask(Site $site, string $address): SiteAnswer;
}

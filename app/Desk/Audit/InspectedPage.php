<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Search\SearchText;

/** A page looked over: what the checks ask of it, and what the site's own search reads. */
final readonly class InspectedPage
{
    /** @param  SearchText|null  $search  null for one that visitors do not see */
    public function __construct(public AuditedPage $audited, public ?SearchText $search)
    {
    }
}

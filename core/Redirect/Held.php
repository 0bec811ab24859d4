<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\ClaimKind;

/** What a ledger row says about answering, with the page behind it. */
final readonly class Held
{
    /**
     * @param  string  $address  as the ledger spells it
     * @param  Standing|null  $page  null where no page answers: gone, or kept for one in the bin
     */
    public function __construct(public string $address, public ClaimKind $kind, public ?Standing $page)
    {
    }
}

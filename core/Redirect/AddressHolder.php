<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Ledger\ClaimKind;

/** What a ledger row says about answering, with the page behind it. */
final readonly class AddressHolder
{
    /**
     * @param  string  $address  as the ledger spells it
     * @param  AnsweringPage|null  $page  null where no page answers: gone, kept for one in the bin, or a rule
     * @param  Rule|null  $rule  that holds the address
     * @param  bool  $everLive  visitors got a page here at some time
     */
    public function __construct(
        public string $address,
        public ClaimKind $kind,
        public ?AnsweringPage $page,
        public ?Rule $rule = null,
        public bool $everLive = false,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\ClaimKind;

/** What a ledger row says about answering, with what is needed of the page behind it. */
final readonly class Held
{
    /**
     * @param  string  $address  as the ledger spells it
     * @param  string  $pageAddress  where the page is now
     */
    public function __construct(
        public string $address,
        public ClaimKind $kind,
        public string $page,
        public string $pageName,
        public string $pageAddress,
        public bool $pageIsLive,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** Port: one look into the ledger. */
interface Answers
{
    /** @param  string  $key an address's key */
    public function at(string $key): ?Held;
}

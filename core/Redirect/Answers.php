<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** Port: what the ledger says of an address, and where pages lead on to. */
interface Answers
{
    /** @param  string  $key an address's key */
    public function at(string $key): ?Held;

    public function page(string $id): ?Standing;

    /** The first page inside another that visitors get. */
    public function firstInside(string $id): ?Standing;

    /** Where a file is served, null when there is none. */
    public function file(string $id): ?string;
}

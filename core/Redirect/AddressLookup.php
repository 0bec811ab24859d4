<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** Port: what the ledger says of an address, and where pages lead on to. */
interface AddressLookup
{
    /** @param  string  $key an address's key */
    public function at(string $key): ?AddressHolder;

    public function page(string $id): ?AnsweringPage;

    /** The first page inside another that visitors get. */
    public function firstInside(string $id): ?AnsweringPage;

    /** Where a file is served, null when there is none. */
    public function file(string $id): ?string;
}

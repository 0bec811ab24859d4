<?php

declare(strict_types=1);

namespace Heronstem\Core\Ledger;

use Heronstem\Core\Address\Address;

/** Port: the record of every address of one site. */
interface Ledger
{
    /**
     * The claims on these addresses, by key; an address that nobody claims is left out.
     *
     * @param  list<Address>  $addresses
     * @return array<string, Claim>
     */
    public function claimsOn(array $addresses): array;

    /**
     * Every claim that these pages hold, those that lead to them and those held for them in the bin included.
     *
     * @param  list<string>  $pages
     * @return iterable<Claim>
     */
    public function claimsAbout(array $pages): iterable;

    /**
     * Every claim of the site: for what is decided about all its addresses.
     *
     * @return iterable<Claim>
     */
    public function everyClaim(): iterable;
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\LedgerLookup;
use Illuminate\Database\Connection;

/** Which page of a site an address in a link means. */
final readonly class PagesOfLinks
{
    public function __construct(private Connection $db)
    {
    }

    /** @return \Closure(string): ?string the identity of the page at an address, if there is one */
    public function at(Site $site): \Closure
    {
        $lookup = new LedgerLookup($this->db->getPdo(), $site->id);
        $own = $site->ownAddresses();

        return static function (string $href) use ($own, $lookup): ?string {
            $address = $own->in($href);

            return $address === null ? null : $lookup->at($address->key)?->page?->id;
        };
    }
}

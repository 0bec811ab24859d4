<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\LedgerLookup;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PastedHtml;
use Illuminate\Database\Connection;

/** Reads what was pasted from elsewhere: links to the site's own addresses become links to their pages. */
final readonly class ReadPasted
{
    public function __construct(private Connection $db)
    {
    }

    /** @throws InvalidDocument when it is too much to be the content of a page */
    public function read(string $html, Site $site): Document
    {
        $lookup = new LedgerLookup($this->db, $site);
        $own = $site->ownAddresses();
        $pageAt = static function (string $href) use ($own, $lookup): ?string {
            $address = $own->in($href);

            return $address === null ? null : $lookup->at($address->key)?->page?->id;
        };

        return (new PastedHtml($pageAt))->read($html);
    }
}

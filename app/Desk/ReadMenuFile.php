<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\LedgerLookup;
use App\Store\PagesByName;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryReader;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\PastedEntries;
use Illuminate\Database\Connection;

/** Reads a menu file, or a pasted list, into entries for a menu of a site, matched to its pages. */
final readonly class ReadMenuFile
{
    public function __construct(private Connection $db)
    {
    }

    /** @return list<Entry> with identities of their own */
    public function read(string $file, Site $site, string $menu): array
    {
        $answers = new LedgerLookup($this->db->getPdo(), $site->id);
        $names = new PagesByName($this->db, $site);
        $pasted = new PastedEntries($site->ownAddresses(), static fn (string $key): ?string => $answers->at($key)?->page?->id, $names->only(...));

        return (new EntryReader($site->rules(), $site->zone, $menu.' '.bin2hex(random_bytes(8))))->read(MenuFile::read($file, $pasted));
    }
}

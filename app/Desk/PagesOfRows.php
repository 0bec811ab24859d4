<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\PagesAtAddresses;
use App\Store\StoredPages;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Tree\Page;
use Illuminate\Database\ConnectionInterface;

/** The pages that the rows of a table are about, by identity or address, read in one go. */
final readonly class PagesOfRows
{
    public function __construct(private ConnectionInterface $db, private PagesAtAddresses $addresses)
    {
    }

    /**
     * @param  array<int, array{string, string}>  $rows  identity, empty where there is none, and address, by place in the file
     * @return array<int, Page> likewise; rows about no page are left out
     */
    public function of(Site $site, array $rows): array
    {
        $ids = array_filter(array_map(static fn (array $row): string => $row[0], $rows));
        $keys = [];
        foreach (array_diff_key($rows, $ids) as $n => [, $address]) {
            try {
                $keys[$n] = Address::asked($site->ownAddresses()->behindHost($address), $site->rules())->key;
            } catch (InvalidAddress) {
                continue;
            }
        }
        $at = $this->addresses->pages($site, array_values(array_unique($keys)));
        foreach ($keys as $n => $key) {
            if (isset($at[$key])) {
                $ids[$n] = $at[$key];
            }
        }
        $known = [];
        foreach ($ids === [] ? [] : (new StoredPages($this->db, $site))->withAncestors(array_values(array_unique($ids))) as $page) {
            $known[$page->id] = $page;
        }

        return array_filter(array_map(static fn (string $id): ?Page => $known[$id] ?? null, $ids));
    }
}

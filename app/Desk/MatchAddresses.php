<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\StoredLedger;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Interchange\OldAddresses;
use Heronstem\Core\Redirect\Matching\Candidate;
use Heronstem\Core\Redirect\Matching\Matcher;
use Heronstem\Core\Structure\ChangeRefused;
use Illuminate\Database\ConnectionInterface;

/** Matches the addresses of an old site to pages of this one. */
final readonly class MatchAddresses
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @return list<array<string, mixed>> in the order of the list; an address that somebody holds already says so
     *
     * @throws ChangeRefused where nothing can be read
     */
    public function of(Site $site, string $text): array
    {
        $old = OldAddresses::read($text);
        $matcher = new Matcher($this->pages($site));
        $addresses = [];
        foreach (array_keys($old) as $written) {
            try {
                $addresses[$written] = Address::asked((string) $written, $site->rules());
            } catch (InvalidAddress) {
                continue;
            }
        }
        $held = (new StoredLedger($this->db, $site))->claimsOn(array_values($addresses));
        $rows = [];
        foreach ($old as $written => ['title' => $title, 'requests' => $requests]) {
            $proposal = $matcher->match((string) $written, $title);
            $address = $addresses[$written] ?? null;
            $page = static fn (?Candidate $page): ?array => $page === null ? null : ['id' => $page->id, 'name' => $page->name, 'address' => NormalForm::readable($page->address)];
            $rows[] = [
                'old' => (string) $written, 'address' => $address?->readable(), 'title' => $title, 'requests' => $requests, 'page' => $page($proposal->page), 'confidence' => $proposal->confidence, 'why' => $proposal->why,
                'next' => array_map($page, $proposal->next), 'held' => $address === null ? null : ($held[$address->key] ?? null)?->kind->value,
            ];
        }

        return $rows;
    }

    /** @return iterable<Candidate> pages that visitors get */
    private function pages(Site $site): iterable
    {
        $former = [];
        foreach ($this->db->cursor("select p.ulid, l.address from ledger l join pages p on p.id = l.page_id where l.site_id = ? and l.kind in ('redirect', 'also')", [$site->id]) as $row) {
            $former[$row->ulid][] = $row->address;
        }
        foreach ($this->db->cursor("select ulid, name, heading, address from pages where site_id = ? and is_visible(state, from_at, until_at) and kind in ('page', 'section', 'download')", [$site->id]) as $row) {
            yield new Candidate($row->ulid, $row->name, $row->address, $row->heading ?? '', $former[$row->ulid] ?? []);
        }
    }
}

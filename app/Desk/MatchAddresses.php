<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\PgArray;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\OldAddresses;
use Heronstem\Core\Redirect\Matching\Candidate;
use Heronstem\Core\Redirect\Matching\Matcher;
use Illuminate\Database\Connection;

/** Matches the addresses of an old site to pages of this one. */
final readonly class MatchAddresses
{
    /** Pages of a site from which on those beside a missed address are narrowed down first. */
    private const LARGE = 20000;

    /** How sure a page must be to be named in a list. */
    private const WORTH_SHOWING = 0.3;

    public function __construct(private Connection $db)
    {
    }

    /**
     * @param  array<string, string>  $settled  by old address: the page that somebody said it became
     * @return list<array<string, mixed>> in the order of the list; an address that somebody holds already says so
     *
     * @throws InputRefused where nothing can be read
     */
    public function of(Site $site, string $text, array $settled = []): array
    {
        $old = OldAddresses::read($text);
        $matcher = new Matcher($this->pages($site));
        $addresses = HeldAddresses::of($this->db, $site, array_map(strval(...), array_keys($old)));
        $rows = [];
        $proposals = $matcher->matchAll(array_values($old), $settled);
        foreach ($old as $written => $was) {
            $proposal = $proposals[count($rows)];
            $page = static fn (?Candidate $page): ?array => $page === null
                ? null
                : ['id' => $page->id, 'name' => $page->name, 'address' => NormalForm::readable($page->address)];
            $rows[] = [
                'old' => (string) $written,
                'address' => $addresses->readable((string) $written),
                'title' => $was->title,
                'requests' => $was->requests,
                'page' => $page($proposal->page),
                'confidence' => $proposal->confidence,
                'none' => $proposal->none,
                'why' => $proposal->why,
                'next' => array_map($page, $proposal->next),
                'held' => $addresses->holder((string) $written),
            ];
        }

        return $rows;
    }

    /**
     * Pages that somebody who asked for a missed address may have wanted, the likeliest first.
     *
     * @return list<array{id: string, name: string, address: string, confidence: float|null, why: string}> only of the likeliest is said how sure that is
     */
    public function near(Site $site, string $address): array
    {
        $proposal = (new Matcher($this->pages($site, $this->nearest($site, $address))))->match($address);
        $found = [];
        foreach ($proposal->page === null ? [] : [$proposal->page, ...$proposal->next] as $n => $page) {
            $found[] = [
                'id' => $page->id,
                'name' => $page->name,
                'address' => NormalForm::readable($page->address),
                'confidence' => $n === 0 ? $proposal->confidence : null,
                'why' => $n === 0 ? $proposal->why : '',
            ];
        }

        return $found;
    }

    /**
     * The likeliest page for each of some missed addresses; for none on a large site, where looking takes too long to do it for a list.
     *
     * @param  list<string>  $addresses
     * @return array<string, array{id: string, name: string, confidence: float}>
     */
    public function likeliest(Site $site, array $addresses): array
    {
        if ($addresses === [] || $this->isLarge($site)) {
            return [];
        }
        $matcher = new Matcher($this->pages($site));
        $likeliest = [];
        foreach ($addresses as $address) {
            $proposal = $matcher->match($address);
            if ($proposal->page !== null && $proposal->confidence >= self::WORTH_SHOWING) {
                $likeliest[$address] = ['id' => $proposal->page->id, 'name' => $proposal->page->name, 'confidence' => $proposal->confidence];
            }
        }

        return $likeliest;
    }

    private function isLarge(Site $site): bool
    {
        return (int) $this->db->scalar('select count(*) from (select 1 from pages where site_id = ? limit ?) n', [$site->id, self::LARGE]) >=
            self::LARGE;
    }

    /**
     * On a large site the pages that are spelt most like an address: to compare them all would take seconds.
     *
     * @return list<string>|null null for all
     */
    private function nearest(Site $site, string $address): ?array
    {
        if (! $this->isLarge($site)) {
            return null;
        }
        $words = mb_substr(trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_scrub(rawurldecode($address), 'UTF-8'))), 0, 200);

        return array_column(
            $this->db->select(
                "select ulid from pages where site_id = ? and state <> 'bin' order by greatest(word_similarity(?, name), similarity(?, address)) desc limit 300",
                [$site->id, $words, mb_substr($address, 0, 200)],
            ),
            'ulid',
        );
    }

    /**
     * @param  list<string>|null  $only
     * @return iterable<Candidate> pages that visitors get, siblings in their order
     */
    public function pages(Site $site, ?array $only = null): iterable
    {
        $among = $only === null ? '' : ' and ulid = any('.$this->db->escape(PgArray::of($only)).'::text[])';
        $former = [];
        foreach (
            $this->db->cursor(
                "select p.ulid, l.address from ledger l join pages p on p.id = l.page_id where l.site_id = ? and l.kind in ('redirect', 'also')",
                [$site->id],
            ) as $row
        ) {
            $former[$row->ulid][] = $row->address;
        }
        foreach (
            $this->db->cursor(
                "select ulid, name, heading, address from pages where site_id = ? and is_visible(state, from_at, until_at) and kind in ('page', 'section', 'download')$among
                    order by position",
                [$site->id],
            ) as $row
        ) {
            yield new Candidate($row->ulid, $row->name, $row->address, $row->heading ?? '', $former[$row->ulid] ?? []);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Audit\AddressFate;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditIndex;
use Heronstem\Core\Audit\Fingerprint;
use Heronstem\Core\Linking\OutsideState;
use Heronstem\Core\Redirect\Resolver;
use Illuminate\Database\ConnectionInterface;

/** The audit's ports over PostgreSQL. What a piece of pages will be asked about is read in a few queries beforehand. */
final class StoredAudit implements AuditIndex
{
    /** @var array<string, AuditedPage|null> */
    private array $pages = [];

    /** @var array<string, list<string>> up to two pages that hold each key, and an empty third name where there are more */
    private array $holders = [];

    /** @var array<string, list<array{int, list<string>}>> fingerprints by band, each with up to two pages that count */
    private array $bands = [];

    /** @var array<string, list<string>> pages that hold a key without counting: that name a page or an address, or only ask who else says the same */
    private array $asking = [];

    /** @var array<string, AddressFate> */
    private array $fates = [];

    /** @var array<string, OutsideState> */
    private array $outside = [];

    public function __construct(private readonly ConnectionInterface $db, private readonly Site $site, private readonly Resolver $resolver)
    {
    }

    /** @param  iterable<AuditedPage>  $pages  to be looked at next; what was read for others is forgotten */
    public function expect(iterable $pages): void
    {
        $this->pages = $this->holders = $this->bands = $this->outside = [];
        $named = $keys = $bands = $outside = [];
        foreach ($pages as $page) {
            $named += array_fill_keys($page->refersTo(), true);
            $keys += array_fill_keys(array_values($page->keys()), true);
            array_push($outside, ...$page->outsideLinks);
            $bands += $page->fingerprint === 0 ? [] : array_fill_keys(Fingerprint::bands($page->fingerprint), true);
        }
        $this->readPages(array_map(strval(...), array_keys($named)));
        $this->readHolders(array_map(strval(...), array_keys($keys)));
        $this->readBands(array_map(strval(...), array_keys($bands)));
        $this->readOutside($outside);
    }

    /**
     * Pages that are read anew, as they were and as they are: who depends on them is asked next.
     *
     * @param  array<string, AuditedPage|null>  $before  by identity
     * @param  array<string, AuditedPage|null>  $after
     */
    public function expectEdits(array $before, array $after): void
    {
        $this->holders = $this->asking = [];
        $shared = $naming = [];
        foreach ([$before, $after] as $pages) {
            foreach ($pages as $id => $page) {
                $naming["names:$id"] = true;
                $shared += $page === null ? [] : array_fill_keys(array_values($page->keys()), true);
                $naming += $page === null ? [] : ["at:{$page->address}" => true];
            }
        }
        $this->readHolders(array_map(strval(...), array_keys($shared)));
        $this->readAsking(array_map(strval(...), array_keys($shared)), true);
        $this->readAsking(array_map(strval(...), array_keys($naming)), false);
    }

    public function page(string $id): ?AuditedPage
    {
        if (! array_key_exists($id, $this->pages)) {
            $this->readPages([$id]);
        }

        return $this->pages[$id];
    }

    public function isShared(string $key, string $except): bool
    {
        if (! isset($this->holders[$key])) {
            $this->readHolders([$key]);
        }

        return array_diff($this->holders[$key], [$except]) !== [];
    }

    public function hasNear(int $fingerprint, string $except): bool
    {
        $bands = Fingerprint::bands($fingerprint);
        $unread = array_values(array_filter($bands, fn (string $band): bool => ! isset($this->bands[$band])));
        if ($unread !== []) {
            $this->readBands($unread);
        }
        foreach ($bands as $band) {
            foreach ($this->bands[$band] as [$other, $pages]) {
                if (array_diff($pages, [$except]) !== [] && Fingerprint::distance($fingerprint, $other) <= Fingerprint::DISTANCE) {
                    return true;
                }
            }
        }

        return false;
    }

    public function at(string $address): AddressFate
    {
        return $this->fates[$address] ??= $this->resolve($address);
    }

    public function outside(string $url): OutsideState
    {
        if (! isset($this->outside[$url])) {
            $this->readOutside([$url]);
        }

        return $this->outside[$url];
    }

    public function asking(string $key, string $except): iterable
    {
        if (! isset($this->holders[$key])) {
            $this->readHolders([$key]);
        }
        $others = array_values(array_diff($this->holders[$key], [$except]));
        if (count($others) > 1) {
            return [];
        }

        return $others !== [] ? $others : array_values(array_diff($this->askers($key, true), [$except]));
    }

    public function near(int $fingerprint, string $except): iterable
    {
        $found = [];
        foreach (
            $this->db->cursor(
                'select p.ulid, a.fingerprint from audit_keys k join audit_pages a on a.page_id = k.page_id join pages p on p.id = k.page_id
                where k.site_id = ? and k.key = any(?::text[]) and p.ulid <> ?',
                [$this->site->id, PgArray::of(self::bandKeys(Fingerprint::bands($fingerprint))), $except],
            ) as $row
        ) {
            if (Fingerprint::distance($fingerprint, $row->fingerprint) <= Fingerprint::DISTANCE) {
                $found[$row->ulid] = true;
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    public function namingPage(string $id): iterable
    {
        return $this->askers("names:$id", false);
    }

    public function namingAddresses(array $addresses): iterable
    {
        return array_merge(...array_map(fn (string $address): array => $this->askers("at:$address", false), $addresses));
    }

    /**
     * Keys under which a page is found again: what it says, its bands, whom it names.
     *
     * @return array<string, bool> whether it counts as holding each
     */
    public static function keysOf(AuditedPage $page): array
    {
        $counts = $page->counts();
        $keys = array_fill_keys(array_values($page->keys()), $counts);
        foreach ($page->fingerprint === 0 ? [] : self::bandKeys(Fingerprint::bands($page->fingerprint)) as $band) {
            $keys[$band] = $counts;
        }
        foreach ($page->refersTo() as $named) {
            $keys["names:$named"] = true;
        }
        foreach ($page->addressesNamed() as $address) {
            $keys["at:$address"] = true;
        }
        foreach ($page->outsideLinks as $url) {
            $keys[self::outsideKey($url)] = true;
        }

        return $keys;
    }

    /** Under which pages are found that link to a URL of another site. */
    public static function outsideKey(string $url): string
    {
        return 'out:'.hash('xxh128', $url);
    }

    /**
     * @param  list<string>  $bands
     * @return list<string>
     */
    private static function bandKeys(array $bands): array
    {
        return array_map(static fn (string $band): string => "near:$band", $bands);
    }

    /** @return list<string> */
    private function askers(string $key, bool $isShared): array
    {
        if (! isset($this->asking[$key])) {
            $this->readAsking([$key], $isShared);
        }

        return $this->asking[$key];
    }

    /**
     * @param  list<string>  $keys
     * @param  bool  $isShared  of keys that count for whoever holds them; those who hold them are known already
     */
    private function readAsking(array $keys, bool $isShared): void
    {
        foreach ($keys as $key) {
            $this->asking[$key] = [];
        }
        foreach (
            $keys === []
                ? []
                : $this->db->select(
                    'select distinct k.key, p.ulid from audit_keys k join pages p on p.id = k.page_id where k.site_id = ? and k.key = any(?::text[])'.
                        ($isShared ? ' and not k.holds' : ''),
                    [$this->site->id, PgArray::of($keys)],
                ) as $row
        ) {
            $this->asking[$row->key][] = $row->ulid;
        }
    }

    /** @param  list<string>  $ids */
    private function readPages(array $ids): void
    {
        $this->pages += array_fill_keys($ids, null);
        foreach (
            $ids === []
                ? []
                : $this->db->select(
                    'select p.ulid, a.facts from audit_pages a join pages p on p.id = a.page_id where a.site_id = ? and p.ulid = any(?::text[])',
                    [$this->site->id, PgArray::of($ids)],
                ) as $row
        ) {
            $this->pages[$row->ulid] = AuditedPage::fromArray(json_decode($row->facts, true, 16, JSON_THROW_ON_ERROR));
        }
    }

    /** @param  list<string>  $urls */
    private function readOutside(array $urls): void
    {
        $this->outside += array_fill_keys($urls, OutsideState::Unknown);
        foreach (
            $urls === [] || ! $this->site->searchSettings()->outside->checksLinks
                ? []
                : $this->db->select('select url, state from outside_links where site_id = ? and key = any(?::text[])', [
                    $this->site->id,
                    PgArray::of(array_map(self::outsideKey(...), $urls)),
                ]) as $row
        ) {
            $this->outside[$row->url] = OutsideState::from($row->state);
        }
    }

    /** @param  list<string>  $keys */
    private function readHolders(array $keys): void
    {
        $held = KeyHolders::of($this->db, $this->site, $keys);
        foreach ($keys as $key) {
            [$one, $other, $third] = [...$held[$key] ?? [], null, null, null];
            $this->holders[$key] = array_values(array_filter([$one, $other, $third === null ? null : ''], is_string(...)));
        }
    }

    /** @param  list<string>  $bands */
    private function readBands(array $bands): void
    {
        foreach ($bands as $band) {
            $this->bands[$band] = [];
        }
        foreach (
            $bands === []
                ? []
                : $this->db->select(
                    'select k.key, a.fingerprint, min(p.ulid) as one, max(p.ulid) as other from audit_keys k
                    join audit_pages a on a.page_id = k.page_id join pages p on p.id = k.page_id
                    where k.site_id = ? and k.key = any(?::text[]) and k.holds group by k.key, a.fingerprint',
                    [$this->site->id, PgArray::of(self::bandKeys($bands))],
                ) as $row
        ) {
            $this->bands[substr($row->key, strlen('near:'))][] = [$row->fingerprint, array_values(array_unique([$row->one, $row->other]))];
        }
    }

    private function resolve(string $address): AddressFate
    {
        $resolution = $this->resolver->resolve($address);

        return match (true) {
            $resolution->pause !== null, $resolution->sendsWith() !== null => AddressFate::Redirect,
            $resolution->status === 410 => AddressFate::Gone,
            $resolution->status !== 200 => AddressFate::Nothing,
            $resolution->page !== null => AddressFate::Page,
            default => AddressFate::Other,
        };
    }
}

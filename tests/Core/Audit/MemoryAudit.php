<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Heronstem\Core\Audit\AddressFate;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditIndex;
use Heronstem\Core\Audit\Fingerprint;
use Heronstem\Core\Linking\OutsideState;

/** The audit's ports as plainly as can be: every question looks at every page. */
final class MemoryAudit implements AuditIndex
{
    /** @var array<string, AuditedPage> */
    public array $pages = [];

    /** @var array<string, AddressFate> */
    public array $fates = [];

    /** @var array<string, OutsideState> */
    public array $outside = [];

    public static function of(AuditedPage ...$pages): self
    {
        $audit = new self();
        $audit->pages = array_column($pages, null, 'id');

        return $audit;
    }

    public function page(string $id): ?AuditedPage
    {
        return $this->pages[$id] ?? null;
    }

    public function isShared(string $key, string $except): bool
    {
        return $this->holding($key, $except) !== [];
    }

    public function hasNear(int $fingerprint, string $except): bool
    {
        foreach ($this->pages as $page) {
            if (
                $page->counts() &&
                $page->id !== $except &&
                $page->fingerprint !== 0 &&
                Fingerprint::distance($page->fingerprint, $fingerprint) <= Fingerprint::DISTANCE
            ) {
                return true;
            }
        }

        return false;
    }

    public function at(string $address): AddressFate
    {
        foreach ($this->pages as $page) {
            if ($page->address === $address && $page->isLive) {
                return AddressFate::Page;
            }
        }

        return $this->fates[$address] ?? AddressFate::Nothing;
    }

    public function outside(string $url): OutsideState
    {
        return $this->outside[$url] ?? OutsideState::Unknown;
    }

    public function asking(string $key, string $except): iterable
    {
        $others = $this->holding($key, $except);
        if (count($others) > 1) {
            return [];
        }

        return $others !== [] ? $others : $this->ids(static fn (AuditedPage $page): bool => in_array($key, $page->keys(), true), $except);
    }

    public function near(int $fingerprint, string $except): iterable
    {
        return $this->ids(
            static fn (AuditedPage $page): bool => $page->fingerprint !== 0 &&
                Fingerprint::distance($page->fingerprint, $fingerprint) <= Fingerprint::DISTANCE,
            $except,
        );
    }

    public function namingPage(string $id): iterable
    {
        return $this->ids(static fn (AuditedPage $page): bool => in_array($id, $page->refersTo(), true), $id);
    }

    public function namingAddresses(array $addresses): iterable
    {
        return $this->ids(static fn (AuditedPage $page): bool => array_intersect($addresses, $page->addressesNamed()) !== [], '');
    }

    /** @return list<string> */
    private function holding(string $key, string $except): array
    {
        return $this->ids(static fn (AuditedPage $page): bool => $page->counts() && in_array($key, $page->keys(), true), $except);
    }

    /**
     * @param  \Closure(AuditedPage): bool  $which
     * @return list<string>
     */
    private function ids(\Closure $which, string $except): array
    {
        $found = array_filter($this->pages, static fn (AuditedPage $page): bool => $page->id !== $except && $which($page));

        return array_map(strval(...), array_keys($found));
    }
}

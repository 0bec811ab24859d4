<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** One row of the ledger: who holds an address, and whether visitors ever got an answer there. */
final readonly class Claim
{
    /**
     * @param  string|null  $page  the page that holds the address, or to which its redirect leads
     * @param  bool  $everLive  a live page answered here at some time, so the address must not be lost
     * @param  \DateTimeImmutable|null  $since  UTC; null while the claim is only planned
     * @param  string|null  $byChange  the history entry that made the claim
     */
    private function __construct(
        public Address $address,
        public ClaimKind $kind,
        public ?string $page,
        public bool $everLive,
        public ?\DateTimeImmutable $since = null,
        public ?string $byChange = null,
    ) {
    }

    public static function ofPage(Address $address, string $page, bool $everLive, ?\DateTimeImmutable $since = null, ?string $byChange = null): self
    {
        return new self($address, ClaimKind::Page, $page, $everLive, $since, $byChange);
    }

    /** A permanent redirect to a page, kept by the page's identity so that it follows every move. */
    public static function redirectTo(Address $address, string $page, bool $everLive, ?\DateTimeImmutable $since = null, ?string $byChange = null): self
    {
        return new self($address, ClaimKind::Redirect, $page, $everLive, $since, $byChange);
    }

    public static function reserved(Address $address): self
    {
        return new self($address, ClaimKind::Reserved, null, false);
    }

    public function isPageOf(string $page): bool
    {
        return $this->kind === ClaimKind::Page && $this->page === $page;
    }

    /** Same holder, same answer, same spelling; times aside. */
    public function says(self $other): bool
    {
        return $this->address->path === $other->address->path && $this->kind === $other->kind
            && $this->page === $other->page && $this->everLive === $other->everLive;
    }
}

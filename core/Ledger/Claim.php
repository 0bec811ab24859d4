<?php

declare(strict_types=1);

namespace Heronstem\Core\Ledger;

use Heronstem\Core\Address\Address;

/** One row of the ledger: who holds an address, and whether visitors ever got an answer there. */
final readonly class Claim
{
    /**
     * @param  string|null  $page  the page that holds the address, or to which its redirect leads
     * @param  bool  $everLive  a live page answered here at some time, so the address must not be lost
     * @param  string|null  $heldFor  the page in the bin that gets the address back when it is brought back
     * @param  string|null  $since  UTC, ISO 8601; null while the claim is only planned
     * @param  string|null  $byChange  the history entry that made the claim
     */
    private function __construct(
        public Address $address,
        public ClaimKind $kind,
        public ?string $page,
        public bool $everLive,
        public ?string $heldFor = null,
        public ?string $since = null,
        public ?string $byChange = null,
    ) {
    }

    public static function ofPage(Address $address, string $page, bool $everLive): self
    {
        return new self($address, ClaimKind::Page, $page, $everLive);
    }

    /** A further address at which the page is served. */
    public static function alsoOf(Address $address, string $page, bool $everLive): self
    {
        return new self($address, ClaimKind::Also, $page, $everLive);
    }

    /** A permanent redirect to a page, kept by the page's identity so that it follows every move. */
    public static function redirectTo(Address $address, string $page, bool $everLive, ?string $heldFor = null): self
    {
        return new self($address, ClaimKind::Redirect, $page, $everLive, $heldFor);
    }

    /** Answered with 410 (RFC 9110, 15.5.11): gone, and known to be. */
    public static function gone(Address $address, ?string $heldFor = null): self
    {
        return new self($address, ClaimKind::Gone, null, true, $heldFor);
    }

    /** Waits for a page in the bin that visitors never saw. */
    public static function inBin(Address $address, string $heldFor): self
    {
        return new self($address, ClaimKind::Bin, null, false, $heldFor);
    }

    /** Held by a redirect rule. */
    public static function ofRule(Address $address, bool $everLive): self
    {
        return new self($address, ClaimKind::Rule, null, $everLive);
    }

    public static function reserved(Address $address): self
    {
        return new self($address, ClaimKind::Reserved, null, false);
    }

    /** A claim as a store kept it. */
    public static function stored(
        Address $address,
        ClaimKind $kind,
        ?string $page,
        bool $everLive,
        ?string $heldFor,
        ?string $since = null,
        ?string $byChange = null,
    ): self {
        return new self($address, $kind, $page, $everLive, $heldFor, $since, $byChange);
    }

    /** In a short text, without the key of its address: never empty, and nothing in it is a control character but NUL. */
    public function packed(): string
    {
        return rtrim(
            implode("\0", [
                $this->kind->value,
                $this->everLive ? '1' : '',
                $this->page,
                $this->heldFor,
                $this->since,
                $this->byChange,
                $this->address->path === $this->address->key ? '' : $this->address->path,
            ]),
            "\0",
        );
    }

    /** @param  string  $packed  as packed() gave it */
    public static function unpacked(string $key, string $packed): self
    {
        $said = explode("\0", $packed, 7) + ['', '', '', '', '', '', ''];

        return new self(
            Address::kept($said[6] === '' ? $key : $said[6], $key),
            ClaimKind::from($said[0]),
            $said[2] === '' ? null : $said[2],
            $said[1] === '1',
            $said[3] === '' ? null : $said[3],
            $said[4] === '' ? null : $said[4],
            $said[5] === '' ? null : $said[5],
        );
    }

    public function isPageOf(string $page): bool
    {
        return $this->kind === ClaimKind::Page && $this->page === $page;
    }

    /** The same claim, not waiting for anybody any more. */
    public function heldForNobody(): self
    {
        return new self($this->address, $this->kind, $this->page, $this->everLive);
    }

    /** The same claim, on another address. */
    public function at(Address $address): self
    {
        return new self($address, $this->kind, $this->page, $this->everLive, $this->heldFor, $this->since, $this->byChange);
    }

    /** The same claim, known to visitors. */
    public function known(): self
    {
        return new self($this->address, $this->kind, $this->page, true, $this->heldFor);
    }

    /** Same holder, same answer, same spelling; times aside. */
    public function says(self $other): bool
    {
        return $this->address->path === $other->address->path &&
            $this->kind === $other->kind &&
            $this->page === $other->page &&
            $this->everLive === $other->everLive &&
            $this->heldFor === $other->heldFor;
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\PackedTexts;
use Heronstem\Core\Series;

/**
 * The claims that a batch looks at: as they are, and as it leaves them. Of all but the first addresses both are held in one short text,
 * since there may be as many as the site has.
 */
final class ClaimOverlay
{
    /** Addresses whose claims are read at a time. */
    private const PIECE = 5000;

    /** Between what is and what will be, where that was planned. */
    private const THEN = "\1";

    /** The first addresses, whose claims are held as they are: so many that most changes never need more. */
    private const AT_HAND = 32_000;

    /** By key: the claim there is, packed, or nothing; then what will be, or nothing; empty for one at hand. */
    private readonly PackedTexts $claims;

    /** @var array<string, HeldClaim> */
    private array $atHand = [];

    /**
     * @param  int  $mostAtHand  addresses whose claims are held as they are
     * @param  CarriedClaims  $carried  claims that are neither read nor held, since they follow from others
     */
    public function __construct(
        private readonly int $mostAtHand = self::AT_HAND,
        private readonly CarriedClaims $carried = new CarriedClaims(new CarriedPages()),
    ) {
        $this->claims = new PackedTexts();
    }

    /**
     * Cost: one look at the ledger for so many addresses, but for those that are known already.
     *
     * @param  iterable<Address>  $addresses
     */
    public function ask(Ledger $ledger, iterable $addresses): void
    {
        $piece = [];
        foreach ($addresses as $address) {
            if ($this->isAsked($address->key)) {
                continue;
            }
            $this->hand($address->key);
            $piece[] = $address;
            if (count($piece) === self::PIECE) {
                $this->read($ledger, $piece);
                $piece = [];
            }
        }
        $this->read($ledger, $piece);
    }

    public function know(Claim $claim): void
    {
        $key = $claim->address->key;
        $held = $this->hand($key);
        if ($held === null) {
            $this->claims->find($key) === '' && $this->claims->put($key, $claim->packed());
        } elseif ($held->then === false) {
            $held->now ??= $claim;
        }
    }

    /** Whether the claim at an address has been read, or is known to be none. */
    public function isAsked(string $key): bool
    {
        return $this->claims->has($key) || $this->carried->knows($key);
    }

    public function now(string $key): ?Claim
    {
        if (! $this->claims->has($key)) {
            return $this->carried->now($key);
        }
        $held = $this->atHand[$key] ?? null;

        return $held === null ? self::claim($key, $this->held($key)[0]) : $held->now;
    }

    /** @return \Generator<string, Claim> those that were read, as they are, by key */
    public function all(): \Generator
    {
        foreach ($this->claims->keys() as $key) {
            $now = $this->now($key);
            if ($now !== null) {
                yield $key => $now;
            }
        }
    }

    /** As the batch leaves it, so far. */
    public function planned(string $key): ?Claim
    {
        $held = $this->atHand[$key] ?? null;
        if ($held !== null) {
            return $held->then === false ? $held->now : $held->then;
        }
        if (! $this->claims->has($key)) {
            return $this->carried->planned($key);
        }
        [$now, $then] = $this->held($key);

        return self::claim($key, $then ?? $now);
    }

    public function isPlanned(string $key): bool
    {
        $held = $this->atHand[$key] ?? null;

        return match (true) {
            $held !== null => $held->then !== false,
            $this->claims->has($key) => str_contains((string) $this->claims->find($key), self::THEN),
            default => $this->carried->knows($key),
        };
    }

    /** Whether the batch leaves nobody at an address, or a record of being gone that was not there. */
    public function isMadeFree(string $key): bool
    {
        $after = $this->isPlanned($key) ? $this->planned($key) : null;

        return $this->isPlanned($key) && ($after === null || ($after->kind === ClaimKind::Gone && $this->now($key)?->kind !== ClaimKind::Gone));
    }

    /** @param  string  $key  of an address that no page carried along plainly has or gets */
    public function set(string $key, ?Claim $claim): void
    {
        if (! $this->claims->has($key) && $this->carried->knows($key)) {
            throw new \LogicException("The claim at $key follows from others, and was set.");
        }
        // Looked up by this key, however it is spelled.
        $claim = $claim === null || $claim->address->key === $key ? $claim : $claim->at(Address::kept($claim->address->path, $key));
        $held = $this->hand($key);
        if ($held === null) {
            $this->claims->put($key, $this->held($key)[0].self::THEN.$claim?->packed());
        } else {
            $held->then = $claim;
        }
    }

    /** @return \Generator<string, Claim|null> what will be of those that were read, where it differs or was looked at */
    public function after(): \Generator
    {
        foreach ($this->claims->keys() as $key) {
            if ($this->isPlanned($key)) {
                yield $key => $this->planned($key);
            }
        }
    }

    /** Null where the batch leaves an address as it is. */
    public function difference(string $key): ?ClaimDifference
    {
        if (! $this->isPlanned($key)) {
            return null;
        }
        [$was, $is] = [$this->now($key), $this->planned($key)];

        return ($was === null) === ($is === null) && ($was === null || $is === null || $was->says($is)) ? null : new ClaimDifference($key, $was, $is);
    }

    /**
     * @param  Series<ClaimDifference>  $single  as differences() gave them
     * @return Series<ClaimDifference> those, and those of pages that are carried along; ordered by address
     */
    public function withCarried(Series $single): Series
    {
        if ($this->carried->pages->count() === 0) {
            return $single;
        }
        $keys = null;

        return Series::from(function () use ($single, &$keys): \Generator {
            if ($keys === null) {
                $keys = [...$single->each(static fn (ClaimDifference $each): string => $each->key), ...$this->carried->pages->keys()];
                sort($keys, SORT_STRING);
            }
            foreach ($keys as $key) {
                [$now, $then] = $this->claims->has($key) ? [$this->now($key), $this->planned($key)] : $this->carried->at($key);
                yield new ClaimDifference($key, $now, $then);
            }
        }, count($single) + 2 * $this->carried->pages->count());
    }

    /** @return Series<ClaimDifference> of addresses that were read, ordered by address */
    public function differences(): Series
    {
        $keys = [];
        foreach ($this->claims->keys() as $key) {
            if ($this->difference($key) !== null) {
                $keys[] = $key;
            }
        }
        sort($keys, SORT_STRING);

        return Series::from(function () use ($keys): \Generator {
            foreach ($keys as $key) {
                yield new ClaimDifference($key, $this->now($key), $this->planned($key));
            }
        }, count($keys));
    }

    /**
     * What is said by key, with the very texts that are held here as keys, so that none is held twice.
     *
     * @template T
     *
     * @param  array<string, T>  $said
     * @return array<string, T> of the addresses that are known here
     */
    public function underOwnKeys(array $said): array
    {
        $own = [];
        foreach ($said === [] ? [] : $this->claims->keys() as $key) {
            if (array_key_exists($key, $said)) {
                $own[$key] = $said[$key];
            }
        }

        return $own;
    }

    /** @param  list<Address>  $addresses */
    private function read(Ledger $ledger, array $addresses): void
    {
        foreach ($addresses === [] ? [] : $ledger->claimsOn($addresses) as $claim) {
            $this->know($claim);
        }
    }

    /** Where the claims at an address, known from now on, are held as they are; null for one of those held in texts. */
    private function hand(string $key): ?HeldClaim
    {
        $held = $this->atHand[$key] ?? null;
        if ($held !== null) {
            return $held;
        }
        if (! $this->claims->has($key)) {
            $this->claims->put($key, '');
        }
        if (count($this->atHand) < $this->mostAtHand && $this->claims->find($key) === '') {
            $this->atHand[$key] = $held = new HeldClaim();
        }

        return $held;
    }

    /** @return array{string, string|null} what is and what will be, packed; null where that was not planned */
    private function held(string $key): array
    {
        $parts = explode(self::THEN, $this->claims->find($key) ?? '', 2);

        return [$parts[0], $parts[1] ?? null];
    }

    private static function claim(string $key, string $packed): ?Claim
    {
        return $packed === '' ? null : Claim::unpacked($key, $packed);
    }
}

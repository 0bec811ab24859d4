<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Series;

/** The claims that a batch looks at: as they are, and as it leaves them. Each is held as a short text, since there may be as many as the site has. */
final class ClaimOverlay
{
    /** Addresses whose claims are read at a time. */
    private const PIECE = 5000;

    /** @var array<string, string> by key */
    private array $now = [];

    /** @var array<string, string|null> what will be, where it differs or was looked at */
    private array $after = [];

    /** @var array<string, string> keys whose claim has been read, or is known to be none; each as the one text that is held of it */
    private array $asked = [];

    /**
     * Cost: one look at the ledger for so many addresses.
     *
     * @param  iterable<Address>  $addresses
     */
    public static function of(Ledger $ledger, iterable $addresses): self
    {
        $overlay = new self();
        $piece = [];
        foreach ($addresses as $address) {
            if (isset($overlay->asked[$address->key])) {
                continue;
            }
            $overlay->asked[$address->key] = $address->key;
            $piece[] = $address;
            if (count($piece) === self::PIECE) {
                $overlay->read($ledger, $piece);
                $piece = [];
            }
        }
        $overlay->read($ledger, $piece);

        return $overlay;
    }

    /** @return string the key of its address, as the one text that is held of it */
    public function know(Claim $claim): string
    {
        $key = $this->asked[$claim->address->key] ?? $claim->address->key;
        $this->now[$key] ??= $claim->packed();

        return $key;
    }

    /** Whether the claim at an address has been read, or is known to be none. */
    public function isAsked(string $key): bool
    {
        return isset($this->asked[$key]);
    }

    public function now(string $key): ?Claim
    {
        return self::claim($key, $this->now[$key] ?? null);
    }

    /** @return \Generator<string, Claim> those that are known, as they are, by key */
    public function all(): \Generator
    {
        foreach ($this->now as $key => $packed) {
            yield (string) $key => Claim::unpacked((string) $key, $packed);
        }
    }

    /** As the batch leaves it, so far. */
    public function planned(string $key): ?Claim
    {
        return self::claim($key, array_key_exists($key, $this->after) ? $this->after[$key] : $this->now[$key] ?? null);
    }

    public function isPlanned(string $key): bool
    {
        return array_key_exists($key, $this->after);
    }

    /** Whether the batch leaves nobody at an address, or a record of being gone that was not there. */
    public function isMadeFree(string $key): bool
    {
        $after = $this->isPlanned($key) ? $this->planned($key) : null;

        return $this->isPlanned($key) && ($after === null || ($after->kind === ClaimKind::Gone && $this->now($key)?->kind !== ClaimKind::Gone));
    }

    public function set(string $key, ?Claim $claim): void
    {
        $this->after[$this->asked[$key] ?? $key] = $claim?->packed();
    }

    /** @return \Generator<string, Claim|null> */
    public function after(): \Generator
    {
        foreach ($this->after as $key => $packed) {
            yield (string) $key => self::claim((string) $key, $packed);
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

    /** @return Series<ClaimDifference> ordered by address */
    public function differences(): Series
    {
        $keys = [];
        foreach ($this->after as $key => $_) {
            if ($this->difference((string) $key) !== null) {
                $keys[] = (string) $key;
            }
        }
        sort($keys, SORT_STRING);

        return Series::from(function () use ($keys): \Generator {
            foreach ($keys as $key) {
                yield new ClaimDifference($key, $this->now($key), $this->planned($key));
            }
        }, count($keys));
    }

    /** @param  list<Address>  $addresses */
    private function read(Ledger $ledger, array $addresses): void
    {
        foreach ($addresses === [] ? [] : $ledger->claimsOn($addresses) as $claim) {
            $this->know($claim);
        }
    }

    private static function claim(string $key, ?string $packed): ?Claim
    {
        return $packed === null ? null : Claim::unpacked($key, $packed);
    }
}

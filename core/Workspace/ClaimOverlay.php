<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;

/** The claims that a batch looks at: as they are, and as it leaves them. */
final class ClaimOverlay
{
    /** @var array<string, Claim> */
    private array $now;

    /** @var array<string, Claim|null> what will be, where it differs or was looked at */
    private array $after = [];

    /** @param  array<string, Claim>  $now  by key */
    public function __construct(array $now)
    {
        $this->now = $now;
    }

    public function know(Claim $claim): void
    {
        $this->now[$claim->address->key] ??= $claim;
    }

    public function now(string $key): ?Claim
    {
        return $this->now[$key] ?? null;
    }

    /** @return array<string, Claim> those that are known, as they are, by key */
    public function all(): array
    {
        return $this->now;
    }

    /** As the batch leaves it, so far. */
    public function planned(string $key): ?Claim
    {
        return array_key_exists($key, $this->after) ? $this->after[$key] : $this->now[$key] ?? null;
    }

    public function isPlanned(string $key): bool
    {
        return array_key_exists($key, $this->after);
    }

    /** Whether the batch leaves nobody at an address, or a record of being gone that was not there. */
    public function isMadeFree(string $key): bool
    {
        return $this->isPlanned($key) &&
            ($this->after[$key] === null || ($this->after[$key]->kind === ClaimKind::Gone && $this->now($key)?->kind !== ClaimKind::Gone));
    }

    public function set(string $key, ?Claim $claim): void
    {
        $this->after[$key] = $claim;
    }

    /** @return array<string, Claim|null> */
    public function after(): array
    {
        return $this->after;
    }

    /** @return list<ClaimDifference> ordered by address */
    public function differences(): array
    {
        ksort($this->after);
        $differences = [];
        foreach ($this->after as $key => $claim) {
            $was = $this->now[$key] ?? null;
            if (($was === null) !== ($claim === null) || ($was !== null && $claim !== null && ! $was->says($claim))) {
                $differences[] = new ClaimDifference((string) $key, $was, $claim);
            }
        }

        return $differences;
    }
}

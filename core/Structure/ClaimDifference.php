<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\ClaimKind;

/** What a batch changed at one address of the ledger. */
final readonly class ClaimDifference
{
    public function __construct(public string $key, public ?Claim $before, public ?Claim $after)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'before' => self::row($this->before), 'after' => self::row($this->after)];
    }

    /**
     * @param  array{key: string, before: array{string, string, string, bool}|null, after: array{string, string, string, bool}|null}  $kept
     */
    public static function fromArray(array $kept, AddressRules $rules): self
    {
        return new self($kept['key'], self::claim($kept['before'], $rules), self::claim($kept['after'], $rules));
    }

    /** @return array{string, string, string, bool}|null */
    private static function row(?Claim $claim): ?array
    {
        return $claim === null ? null : [$claim->address->path, $claim->kind->value, (string) $claim->page, $claim->everLive];
    }

    /** @param  array{string, string, string, bool}|null  $row */
    private static function claim(?array $row, AddressRules $rules): ?Claim
    {
        if ($row === null) {
            return null;
        }
        [$path, $kind, $page, $everLive] = $row;
        $address = Address::stored($path, $rules);

        return ClaimKind::from($kind) === ClaimKind::Page ? Claim::ofPage($address, $page, $everLive) : Claim::redirectTo($address, $page, $everLive);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** The shape of a site's addresses is decided otherwise. */
final readonly class AddressRulesDifference
{
    public function __construct(public AddressRules $before, public AddressRules $after)
    {
    }

    /** Null when nothing differs. */
    public static function between(AddressRules $before, AddressRules $after): ?self
    {
        return $before === $after || $before->toArray() === $after->toArray() ? null : new self($before, $after);
    }

    /** The rules with this taken back; null where one of them has been decided anew since, or the rest now contradicts it. */
    public function undoneOn(AddressRules $now): ?AddressRules
    {
        [$before, $after, $rules] = [$this->before->toArray(), $this->after->toArray(), $now->toArray()];
        foreach ($before as $rule => $was) {
            if ($was !== $after[$rule]) {
                if ($rules[$rule] !== $after[$rule]) {
                    return null;
                }
                $rules[$rule] = $was;
            }
        }
        try {
            return AddressRules::fromArray($rules);
        } catch (InvalidAddress) {
            return null;
        }
    }

    /** Whether addresses that exist are written or compared otherwise; letters count for slugs that are made later. */
    public function respells(): bool
    {
        return $this->before->ending() !== $this->after->ending() || $this->before->caseSensitive !== $this->after->caseSensitive;
    }

    /** An address that somebody chose, with the ending that it has from now on in place of the one that the site gave it. */
    public function own(Address $address): Address
    {
        return Address::stored(
            $address->path === '/' ? '/' : NormalForm::ended(NormalForm::bare($address->path, $this->before), $this->after),
            $this->after,
        );
    }

    /** Where a request for an address is looked up from now on. */
    public function asked(Address $address): Address
    {
        return Address::stored(NormalForm::of($address->path, $this->after), $this->after);
    }

    /** @return array{before: array<string, mixed>, after: array<string, mixed>} */
    public function toArray(): array
    {
        return ['before' => $this->before->toArray(), 'after' => $this->after->toArray()];
    }

    /** @param  array{before: array<string, mixed>, after: array<string, mixed>}|null  $kept  as toArray() gave it */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null ? null : new self(AddressRules::fromArray($kept['before']), AddressRules::fromArray($kept['after']));
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Ledger;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Address\NormalForm;

/**
 * What a batch changed at one address of the ledger.
 *
 * @phpstan-type Row array{0: string, 1: string, 2: string, 3: bool, 4?: string}
 */
final readonly class ClaimDifference
{
    public function __construct(public string $key, public ?Claim $before, public ?Claim $after)
    {
    }

    /** The redirect that stands here from now on, or leads elsewhere. */
    public function redirectWritten(): ?Claim
    {
        return $this->after?->kind === ClaimKind::Redirect ? $this->after : null;
    }

    /** The redirect that stood here and no longer does. */
    public function redirectDropped(): ?Claim
    {
        return $this->before?->kind === ClaimKind::Redirect && $this->after?->kind !== ClaimKind::Redirect ? $this->before : null;
    }

    /** The record that says from now on that the address is gone. */
    public function recordedGone(): ?Claim
    {
        return $this->after?->kind === ClaimKind::Gone && $this->before?->kind !== ClaimKind::Gone ? $this->after : null;
    }

    /** @return array{key: string, before: Row|null, after: Row|null} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'before' => self::row($this->before), 'after' => self::row($this->after)];
    }

    /**
     * What was kept, as addresses are written by now: what was one address may be two.
     *
     * @param  array{key: string, before: Row|null, after: Row|null}  $kept
     * @return list<self>
     */
    public static function fromArray(array $kept, AddressRules $rules): array
    {
        $before = self::claim(self::respelled($kept['before'], $rules), $rules);
        $after = self::claim(self::respelled($kept['after'], $rules), $rules);
        if ($before !== null && $after !== null && $before->address->key !== $after->address->key) {
            return [new self($before->address->key, $before, null), new self($after->address->key, null, $after)];
        }

        return [new self(($after ?? $before)->address->key ?? $kept['key'], $before, $after)];
    }

    /**
     * What was kept of a change of the rules themselves: each side as addresses were written then.
     *
     * @param  array{key: string, before: Row|null, after: Row|null}  $kept
     */
    public static function asKept(array $kept, AddressRulesDifference $rules): self
    {
        return new self($kept['key'], self::claim($kept['before'], $rules->before), self::claim($kept['after'], $rules->after));
    }

    /**
     * @param  Row|null  $row
     * @return Row|null
     */
    private static function respelled(?array $row, AddressRules $rules): ?array
    {
        if ($row !== null) {
            $row[0] = NormalForm::of($row[0], $rules);
        }

        return $row;
    }

    /** @return Row|null */
    private static function row(?Claim $claim): ?array
    {
        return $claim === null
            ? null
            : [
                $claim->address->path,
                $claim->kind->value,
                (string) $claim->page,
                $claim->everLive,
                ...$claim->heldFor === null ? [] : [$claim->heldFor],
            ];
    }

    /** @param  Row|null  $row */
    private static function claim(?array $row, AddressRules $rules): ?Claim
    {
        return $row === null
            ? null
            : Claim::stored(Address::stored($row[0], $rules), ClaimKind::from($row[1]), $row[2] === '' ? null : $row[2], $row[3], $row[4] ?? null);
    }
}

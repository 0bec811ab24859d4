<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\AddressRules;

/** What a batch did to one redirect rule. The exact inverse's material. */
final readonly class RuleDifference
{
    /**
     * @param  Rule|null  $before  null for one that was made
     * @param  Rule|null  $after  null for one that was removed
     */
    public function __construct(public string $rule, public ?Rule $before, public ?Rule $after)
    {
    }

    /** Whether a rule is as this difference left it. */
    public function isStill(?Rule $now): bool
    {
        return $now?->toArray() === $this->after?->toArray();
    }

    /** @return array{rule: string, before: array<string, mixed>|null, after: array<string, mixed>|null} */
    public function toArray(): array
    {
        return ['rule' => $this->rule, 'before' => $this->before?->toArray(), 'after' => $this->after?->toArray()];
    }

    /** The same, with sources as addresses are written by now. */
    public function respelled(AddressRules $rules): self
    {
        return new self($this->rule, $this->before?->writtenBy($rules), $this->after?->writtenBy($rules));
    }

    /** @param  array{rule: string, before: array<string, mixed>|null, after: array<string, mixed>|null}  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(
            $kept['rule'],
            $kept['before'] === null ? null : Rule::fromArray($kept['before']),
            $kept['after'] === null ? null : Rule::fromArray($kept['after']),
        );
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core;

/**
 * Input that the rules do not take. Says which field, why, and what would do instead,
 * so that whoever shows it never has to guess.
 */
abstract class Refusal extends \DomainException
{
    final public function __construct(public readonly string $field, public readonly string $reason, public readonly ?string $suggestion = null)
    {
        parent::__construct($field.': '.$reason);
    }

    /** The same refusal under the name the caller gave the field, e.g. `changes.2.slug`. */
    final public function within(string $prefix): static
    {
        return new static($prefix.'.'.$this->field, $this->reason, $this->suggestion);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** Something to know of one page of a source: what was read otherwise than written, or why it cannot be taken. */
final readonly class Remark
{
    /** @param  string  $field  the part of the page that it is about, e.g. `slug` */
    private function __construct(public string $field, public string $reason, public ?string $suggestion, public bool $refuses)
    {
    }

    /** The page is taken all the same. */
    public static function of(string $field, string $reason): self
    {
        return new self($field, $reason, null, false);
    }

    /** The page cannot be taken as it is. */
    public static function refusing(string $field, string $reason, ?string $suggestion = null): self
    {
        return new self($field, $reason, $suggestion, true);
    }

    /** @param  array{field: string, reason: string, suggestion: string|null, refuses: bool}  $said  as toArray() gave it */
    public static function fromArray(array $said): self
    {
        return new self($said['field'], $said['reason'], $said['suggestion'], $said['refuses']);
    }

    /** @return array{field: string, reason: string, suggestion: string|null, refuses: bool} */
    public function toArray(): array
    {
        return ['field' => $this->field, 'reason' => $this->reason, 'suggestion' => $this->suggestion, 'refuses' => $this->refuses];
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/**
 * One row of two versions side by side.
 *
 * @phpstan-type Block array{type: string, pieces: list<array{text: string, marked: bool}>}
 */
final readonly class ComparedRow
{
    /**
     * @param  'same'|'changed'|'left-only'|'right-only'  $kind
     * @param  Block|null  $left
     * @param  Block|null  $right
     */
    public function __construct(public string $kind, public ?array $left, public ?array $right)
    {
    }

    /** @return array{kind: string, left: Block|null, right: Block|null} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'left' => $this->left, 'right' => $this->right];
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\InputRefused;

/** How a branch entry is filled: how deep, in which order, and which pages are exceptions. */
final readonly class BranchContents
{
    /** Deepest that a branch is followed. */
    public const MAX_DEPTH = 5;

    /**
     * @param  int  $depth  1 for the children alone
     * @param  list<string>  $out  pages left out, with what is below them
     * @param  list<string>  $in  unlisted pages that are shown all the same
     *
     * @throws InputRefused
     */
    public function __construct(public int $depth = 1, public BranchOrder $order = BranchOrder::Tree, public array $out = [], public array $in = [])
    {
        if ($depth < 1 || $depth > self::MAX_DEPTH) {
            throw new InputRefused('depth', sprintf('A branch is followed 1 to %d levels deep.', self::MAX_DEPTH), '1');
        }
    }

    public function leavingOut(string $page): self
    {
        return new self($this->depth, $this->order, array_values(array_unique([...$this->out, $page])), array_values(array_diff($this->in, [$page])));
    }

    public function lettingIn(string $page): self
    {
        return new self($this->depth, $this->order, array_values(array_diff($this->out, [$page])), $this->in);
    }

    /** @param  array<string, mixed>  $gone  pages by identity */
    public function without(array $gone): self
    {
        $stays = static fn (string $page): bool => ! isset($gone[$page]);

        return new self($this->depth, $this->order, array_values(array_filter($this->out, $stays)), array_values(array_filter($this->in, $stays)));
    }

    /** @param  array{depth: int, order: string, out: list<string>, in: list<string>}  $kept as toArray gave it */
    public static function fromArray(array $kept): self
    {
        return new self($kept['depth'], BranchOrder::from($kept['order']), $kept['out'], $kept['in']);
    }

    /** @return array{depth: int, order: string, out: list<string>, in: list<string>} */
    public function toArray(): array
    {
        return ['depth' => $this->depth, 'order' => $this->order->value, 'out' => $this->out, 'in' => $this->in];
    }
}

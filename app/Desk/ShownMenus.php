<?php

declare(strict_types=1);

namespace App\Desk;

use App\Store\MadeOf;
use Heronstem\Core\Menu\ResolvedEntry;

/**
 * What somebody sees at each place of a layout. Whoever looks at a place has it noted that what they make is made of it: places that a
 * template does not show are no reason to make it anew.
 *
 * @implements \ArrayAccess<string, list<ResolvedEntry>>
 */
final readonly class ShownMenus implements \ArrayAccess
{
    /**
     * @param  array<string, list<ResolvedEntry>>  $entries  by place
     * @param  array<string, list<string>>  $parts  what they are made of
     */
    public function __construct(public array $entries, private array $parts = [])
    {
    }

    public function offsetExists(mixed $offset): bool
    {
        return isset($this->entries[$offset]);
    }

    /** @return list<ResolvedEntry> */
    public function offsetGet(mixed $offset): array
    {
        MadeOf::parts($this->parts[$offset] ?? []);

        return $this->entries[$offset] ?? [];
    }

    public function offsetSet(mixed $offset, mixed $value): void
    {
        throw new \LogicException('Menus are arranged elsewhere.');
    }

    public function offsetUnset(mixed $offset): void
    {
        throw new \LogicException('Menus are arranged elsewhere.');
    }
}

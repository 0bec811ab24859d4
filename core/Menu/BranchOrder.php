<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** In which order a branch's pages stand in a menu. */
enum BranchOrder: string
{
    case Tree = 'tree';
    case Alphabet = 'a-z';

    /** Less than 0 where the first of two siblings stands before the second. Numbers in names count as numbers. */
    public function compare(string $nameA, int $positionA, string $nameB, int $positionB): int
    {
        return ($this === self::Alphabet ? strnatcasecmp($nameA, $nameB) : 0) ?: $positionA <=> $positionB;
    }
}

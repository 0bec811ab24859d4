<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** In which order a branch's pages stand in a menu. */
enum BranchOrder: string
{
    case Tree = 'tree';
    case Alphabet = 'a-z';
}

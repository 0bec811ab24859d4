<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

enum MenuEffectKind: string
{
    case Appears = 'appears';
    case Vanishes = 'vanishes';
    case Moves = 'moves';
    case Relabels = 'relabels';
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

enum PlaceKind: string
{
    case Last = 'last';
    case First = 'first';
    case Before = 'before';
    case After = 'after';
}

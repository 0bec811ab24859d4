<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

/** How far somebody's word reaches: only the owner touches pages that are protected. */
enum Authority
{
    case Manager;
    case Owner;
}

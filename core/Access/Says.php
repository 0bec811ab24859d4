<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** What a line says of a right; where there is no line, nothing is said. */
enum Says: string
{
    case Allow = 'allow';
    case Deny = 'deny';
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

enum TrailingSlash: string
{
    case Never = 'never';
    case Always = 'always';
}

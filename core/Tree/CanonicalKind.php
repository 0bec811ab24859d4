<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

enum CanonicalKind: string
{
    case Itself = 'itself';
    case Page = 'page';
    case Url = 'url';
    case None = 'none';
}

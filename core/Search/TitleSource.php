<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

enum TitleSource: string
{
    case Own = 'own';
    case Pattern = 'pattern';
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

enum DescriptionSource: string
{
    case Own = 'own';
    case Summary = 'summary';
    case Content = 'content';
    case Site = 'site';
    case None = 'none';
}

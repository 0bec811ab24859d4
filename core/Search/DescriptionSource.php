<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

enum DescriptionSource: string
{
    case Own = 'own';
    case Pattern = 'pattern';
    case Summary = 'summary';
    case Content = 'content';
    case Site = 'site';
    case None = 'none';

    /** Whether somebody said it of this very page. */
    public function isOfThePage(): bool
    {
        return $this === self::Own || $this === self::Summary;
    }
}

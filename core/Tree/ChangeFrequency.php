<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** How often a page is likely to change, as the sitemap protocol 0.9 says it. */
enum ChangeFrequency: string
{
    case Always = 'always';
    case Hourly = 'hourly';
    case Daily = 'daily';
    case Weekly = 'weekly';
    case Monthly = 'monthly';
    case Yearly = 'yearly';
    case Never = 'never';
}

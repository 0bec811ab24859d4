<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Where a finding is mended. */
enum Fix: string
{
    case Title = 'title';
    case Description = 'description';
    case Details = 'details';
    case Content = 'content';
    case Canonical = 'canonical';
    case Robots = 'robots';
    case Sitemap = 'sitemap';
    case Social = 'social';
    case Phrase = 'phrase';
    case Links = 'links';
    case Menus = 'menus';
    case Redirects = 'redirects';
    case Site = 'site';
}

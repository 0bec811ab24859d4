<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** What a batch does to what search engines are told. */
final readonly class SearchEffects
{
    /** @param  int  $sitemapEntries  entries of the sitemap that come, go or change */
    public function __construct(public int $sitemapEntries)
    {
    }
}

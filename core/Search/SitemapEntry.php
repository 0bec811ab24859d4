<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** One address of a sitemap. */
final readonly class SitemapEntry
{
    /** @param  string  $location absolute URL */
    public function __construct(public string $location, public \DateTimeImmutable $lastModified)
    {
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Tree\ChangeFrequency;

/** What a sitemap says of an address besides when it changed. */
final readonly class SitemapTerms
{
    /**
     * @param  int|null  $priority  in tenths, 0 to 10; null for none said
     * @param  list<string>  $pictures  absolute URLs of those that the page shows, at most SitemapWriter::MAX_PICTURES
     */
    public function __construct(public ?ChangeFrequency $changeFrequency = null, public ?int $priority = null, public array $pictures = [])
    {
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Search\SiteSearchDifference;

/** What a batch does to what search engines are told. */
final readonly class SearchEffects
{
    /**
     * @param  int  $sitemapEntries  entries of the sitemap that come, go or change
     * @param  list<TitleChange>  $titles
     * @param  list<IndexChange>  $indexing
     * @param  list<CanonicalChange>  $canonicals
     */
    public function __construct(
        public int $sitemapEntries,
        public array $titles = [],
        public array $indexing = [],
        public array $canonicals = [],
        public ?SiteSearchDifference $settings = null,
    ) {
    }

    /** Whether it goes beyond the page that is changed, so that it is shown before it is done. */
    public function matters(): bool
    {
        return ($this->settings?->concernsPages() ?? false) || count($this->titles) > 1 || count($this->indexing) > 1;
    }
}

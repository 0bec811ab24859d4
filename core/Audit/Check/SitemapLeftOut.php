<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit\Check;

use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditedSite;
use Heronstem\Core\Audit\Check;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\Verdict;

/** A page that may be found and is left out of the sitemap. */
final class SitemapLeftOut implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'sitemap-left-out',
            'Left out of the sitemap',
            'Engines find it later, or not at all.',
            Severity::Notice,
            2,
            Fix::Sitemap,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->isFindable() || ! $page->isSelfCanonical()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->isInSitemap, 'Search engines may list it, but it is left out of the sitemap.');
    }
}

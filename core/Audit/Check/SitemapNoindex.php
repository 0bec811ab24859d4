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

/** A page that asks for the sitemap and not to be listed. */
final class SitemapNoindex implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'sitemap-noindex',
            'In the sitemap, but noindex',
            'The two settings contradict each other.',
            Severity::Warning,
            4,
            Fix::Sitemap,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->saysSitemap || ! $page->isInSitemap) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->index || ! $page->isListed, 'It is to be in the sitemap, and search engines are asked not to list it.');
    }
}

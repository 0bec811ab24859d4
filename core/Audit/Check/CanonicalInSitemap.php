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

/** A page that asks for the sitemap and names another as canonical. */
final class CanonicalInSitemap implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-sitemap',
            'In the sitemap, but another counts',
            'The sitemap lists only addresses that count.',
            Severity::Notice,
            3,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->saysSitemap || ! $page->isInSitemap) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->isSelfCanonical(), 'It is to be in the sitemap, and says that another address counts.');
    }
}

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

/** A noindex that nobody may read. */
final class RobotsContradiction implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'robots-contradiction',
            'noindex that crawlers cannot see',
            'Crawlers that may not fetch a page never see that it asks not to be listed.',
            Severity::Error,
            6,
            Fix::Robots,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->index && $page->isListed) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->mayBeFetched, 'It asks not to be listed, but robots.txt keeps crawlers from reading that.');
    }
}

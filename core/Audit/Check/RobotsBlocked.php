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

/** A page that robots.txt keeps crawlers from. */
final class RobotsBlocked implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'robots-blocked',
            'Blocked by robots.txt',
            'Crawlers never read the page, so it is found by its address at most.',
            Severity::Error,
            9,
            Fix::Robots,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->isFindable()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->mayBeFetched, 'robots.txt keeps crawlers away from its address.');
    }
}

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

/** A page that nothing leads to. */
final class Orphan implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'orphan',
            'Nothing leads to it',
            'Visitors cannot find it, and search engines rank it low.',
            Severity::Warning,
            7,
            Fix::Links,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->isListed || $page->isStart) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->clicks === null, 'No menu, list or link leads to it.');
    }
}

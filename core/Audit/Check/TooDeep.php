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

/** A page many clicks away from the start page. */
final class TooDeep implements Check
{
    /** Clicks that most visitors go. */
    private const MAX = 4;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'too-deep',
            'Many clicks away',
            'Few visitors go this far, and crawlers come rarely.',
            Severity::Notice,
            3,
            Fix::Links,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->isListed || $page->clicks === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->clicks > self::MAX, "It is {$page->clicks} clicks away from the start page.");
    }
}

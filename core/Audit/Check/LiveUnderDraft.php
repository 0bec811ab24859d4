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

/** A live page below one that visitors do not see. */
final class LiveUnderDraft implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'live-under-draft',
            'Live below a page that is not live',
            'Its parent is missing from breadcrumbs and lists.',
            Severity::Warning,
            4,
            Fix::Details,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->parent === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->page($page->parent)?->isLive !== true, 'It is live, and the page above it is not.');
    }
}

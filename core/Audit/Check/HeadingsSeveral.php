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

/** Main headings in the content besides the page's own. */
final class HeadingsSeveral implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'headings-several',
            'Several main headings',
            'One main heading says what the page is about; two say two things.',
            Severity::Notice,
            2,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(in_array(1, $page->headingLevels, true), 'Its content has a main heading besides its own.');
    }
}

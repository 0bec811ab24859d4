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

/** Headings in the content that leave a level out. */
final class HeadingOrder implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'heading-order',
            'Headings leave a level out',
            'Screen readers and engines read headings as an outline.',
            Severity::Notice,
            1,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->headingLevels === []) {
            return Verdict::doesNotApply();
        }
        $above = 1;
        foreach ($page->headingLevels as $level) {
            if ($level > $above + 1) {
                return Verdict::found("A heading of level $level follows one of level $above.");
            }
            $above = $level;
        }

        return Verdict::pass();
    }
}

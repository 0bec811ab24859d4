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

/** A page without a heading. */
final class HeadingMissing implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'heading-missing',
            'No heading',
            'The heading tells visitors and engines what the page is about.',
            Severity::Error,
            8,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(trim($page->heading) === '', 'It has no heading.');
    }
}

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

/** A page without a title tag. */
final class TitleMissing implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'title-missing',
            'No title',
            'The title is what people read first in a list of results.',
            Severity::Error,
            10,
            Fix::Title,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->title === '', 'It has no title.');
    }
}

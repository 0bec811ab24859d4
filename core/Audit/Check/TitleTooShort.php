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
use Heronstem\Core\Search\SearchTitle;

/** A title that says little. */
final class TitleTooShort implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'title-too-short',
            'Title too short',
            'A short title leaves unsaid what would make people choose it.',
            Severity::Notice,
            2,
            Fix::Title,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->title === '') {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            $page->titleWidth < SearchTitle::MIN_WIDTH,
            sprintf('The title is %d px wide; there is room for %d px.', ceil($page->titleWidth), SearchTitle::MAX_WIDTH),
        );
    }
}

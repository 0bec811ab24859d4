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

/** A title that results cut off. */
final class TitleTooWide implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'title-too-wide',
            'Title too wide',
            'Engines cut a title that is wider than a line, often where it matters.',
            Severity::Warning,
            5,
            Fix::Title,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            $page->titleWidth > SearchTitle::MAX_WIDTH,
            sprintf('The title is %d px wide; results show %d px.', ceil($page->titleWidth), SearchTitle::MAX_WIDTH),
        );
    }
}

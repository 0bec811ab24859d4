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

/** A title that repeats the heading and nothing else. */
final class TitleIsHeading implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'title-is-heading',
            'Title repeats the heading',
            'The title can also say whose page it is, or what it is about.',
            Severity::Notice,
            1,
            Fix::Title,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->title === '' || $page->isStart) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(mb_strtolower($page->title) === mb_strtolower($page->heading), 'The title says what the heading says, and no more.');
    }
}

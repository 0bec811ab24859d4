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
use Heronstem\Core\Search\SearchDescription;

/** A description that results cut off. */
final class DescriptionTooWide implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'description-too-wide',
            'Description too wide',
            'Engines cut what is wider than two lines.',
            Severity::Notice,
            3,
            Fix::Description,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->description === '') {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            $page->descriptionWidth > SearchDescription::MAX_WIDTH,
            sprintf('The description is %d px wide; results show %d px.', ceil($page->descriptionWidth), SearchDescription::MAX_WIDTH),
        );
    }
}

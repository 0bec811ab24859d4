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

/** A description that leaves room unused. */
final class DescriptionTooShort implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'description-too-short',
            'Description too short',
            'There is room to say why people should visit.',
            Severity::Notice,
            1,
            Fix::Description,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->description === '') {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            $page->descriptionWidth < SearchDescription::MIN_WIDTH,
            sprintf('The description is %d px wide; there is room for %d px.', ceil($page->descriptionWidth), SearchDescription::MAX_WIDTH),
        );
    }
}

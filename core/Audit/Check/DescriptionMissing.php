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
use Heronstem\Core\Search\DescriptionSource;

/** A page for which nobody said anything that could stand below its title. */
final class DescriptionMissing implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'description-missing',
            'No description',
            'Without one, engines choose a passage themselves.',
            Severity::Warning,
            5,
            Fix::Description,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->descriptionSource === DescriptionSource::None, 'It has no description, and nothing to make one of.');
    }
}

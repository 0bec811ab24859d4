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

/** A description that nobody wrote for the page. */
final class DescriptionFallback implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'description-fallback',
            'Description not its own',
            'A description written for the page is clicked more often.',
            Severity::Notice,
            2,
            Fix::Description,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return match ($page->descriptionSource) {
            DescriptionSource::Content => Verdict::found('Its description is the beginning of its content.'),
            DescriptionSource::Site => Verdict::found('Its description is that of the whole site.'),
            default => Verdict::pass(),
        };
    }
}

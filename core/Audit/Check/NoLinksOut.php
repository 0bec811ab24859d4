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

/** Content that leads nowhere on. */
final class NoLinksOut implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'no-links',
            'No links in the content',
            'A page without links ends the visit.',
            Severity::Notice,
            1,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->words < 120) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->links === [] && $page->rawLinks === [] && $page->linksOut === 0, 'Its content links to nothing.');
    }
}

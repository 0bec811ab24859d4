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

/** Links to pages that browsers warn of. */
final class InsecureLinks implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'insecure-links',
            'Links that begin with http://',
            'Browsers warn of pages that are not encrypted.',
            Severity::Notice,
            1,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->linksOut === 0) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->insecureLinks > 0, $page->insecureLinks === 1 ? 'A link begins with http://.' : "{$page->insecureLinks} links begin with http://.");
    }
}

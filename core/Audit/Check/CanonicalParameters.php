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
use Heronstem\Core\Tree\CanonicalKind;

/** A canonical address with a query. */
final class CanonicalParameters implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-parameters',
            'Canonical address has a query',
            'An address with a query is rarely the one that counts.',
            Severity::Notice,
            2,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->canonical->kind !== CanonicalKind::Url) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(str_contains($page->canonical->value, '?'), 'Its canonical address ends in a query.');
    }
}

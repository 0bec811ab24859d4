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

/** A page that names its own address by another spelling. */
final class CanonicalSpelling implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-spelling',
            'Canonical is its own address, spelt out',
            'It does not follow when the page moves.',
            Severity::Notice,
            2,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->canonical->kind !== CanonicalKind::Url || $page->canonicalAddress === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->canonicalAddress === $page->address, 'Its canonical address is its own, written out. Choose “itself”.');
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit\Check;

use Heronstem\Core\Audit\AddressFate;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditedSite;
use Heronstem\Core\Audit\Check;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\Verdict;

/** A canonical address that sends on. */
final class CanonicalRedirects implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-redirect',
            'Canonical address redirects',
            'Engines are sent on from the address that is said to count.',
            Severity::Warning,
            6,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->canonicalAddress === null || $page->isSelfCanonical()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->at($page->canonicalAddress) === AddressFate::Redirect, 'Its canonical address sends visitors on to another.');
    }
}

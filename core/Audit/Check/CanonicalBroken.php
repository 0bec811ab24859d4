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
use Heronstem\Core\Tree\CanonicalKind;

/** A canonical address where nothing is. */
final class CanonicalBroken implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-broken',
            'Canonical address leads nowhere',
            'Engines are told to list a page that is not there.',
            Severity::Error,
            8,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->isSelfCanonical() || ($page->canonical->kind === CanonicalKind::Url && $page->canonicalAddress === null)) {
            return Verdict::doesNotApply();
        }
        if ($page->canonical->kind === CanonicalKind::Page) {
            $target = $site->page($page->canonical->value);

            return Verdict::when($target === null || ! $target->isLive, 'Its canonical address is a page that visitors cannot see.');
        }

        return Verdict::when(
            $page->canonicalAddress !== null && in_array($site->at($page->canonicalAddress), [AddressFate::Gone, AddressFate::Nothing], true),
            'Nothing answers at its canonical address.',
        );
    }
}

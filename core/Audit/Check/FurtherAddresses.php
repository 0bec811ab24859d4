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

/** A page at several addresses that says of none that it counts. */
final class FurtherAddresses implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-missing',
            'Several addresses, none counts',
            'Engines then choose one, or list several.',
            Severity::Warning,
            5,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasFurtherAddresses) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->canonical->kind === CanonicalKind::None, 'It answers at several addresses and names none of them as canonical.');
    }
}

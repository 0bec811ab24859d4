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

/** A canonical page that engines are asked not to list. */
final class CanonicalNoindex implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-noindex',
            'Canonical page is not indexed',
            'Neither of the two pages can be found then.',
            Severity::Error,
            7,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $target = $page->isSelfCanonical() || $page->canonical->kind !== CanonicalKind::Page ? null : $site->page($page->canonical->value);
        if ($target === null || ! $target->isLive) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $target->index || ! $target->isListed, 'Its canonical page is one that search engines are asked not to list.');
    }
}

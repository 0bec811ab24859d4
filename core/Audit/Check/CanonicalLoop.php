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

/** Two pages that each name the other as canonical. */
final class CanonicalLoop implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-loop',
            'Canonical addresses form a loop',
            'Each names the other, so neither counts.',
            Severity::Error,
            8,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $target = $page->isSelfCanonical() || $page->canonical->kind !== CanonicalKind::Page ? null : $site->page($page->canonical->value);
        if ($target === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($target->canonical->value === $page->id, 'Its canonical page names this one in turn.');
    }
}

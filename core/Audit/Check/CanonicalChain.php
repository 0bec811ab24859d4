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

/** A canonical page that names another one. */
final class CanonicalChain implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-chain',
            'Canonical page names another',
            'Engines follow one step, and may choose neither.',
            Severity::Warning,
            5,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $target = $page->isSelfCanonical() || $page->canonical->kind !== CanonicalKind::Page ? null : $site->page($page->canonical->value);
        if ($target === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            ! $target->isSelfCanonical() && $target->canonical->value !== $page->id,
            'Its canonical page names yet another one.',
        );
    }
}

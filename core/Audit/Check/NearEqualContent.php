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

/** Content that another page has nearly word for word. */
final class NearEqualContent implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'content-near-equal',
            'Nearly the same content as another page',
            'Engines list one of the two, and not always the one you mean.',
            Severity::Warning,
            5,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->fingerprint === 0 || ! $page->isSelfCanonical()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->hasNear($page->fingerprint, $page->id), 'Another page has nearly the same content.');
    }
}

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

/** Two pages with one heading. */
final class HeadingEqual implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'heading-equal',
            'Same heading as another page',
            'Two pages with the same heading look like the same page.',
            Severity::Notice,
            2,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $key = $page->keys()['heading'] ?? null;
        if ($key === null || ! $page->hasContent() || ! $page->isSelfCanonical()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->isShared($key, $page->id), 'Another page has the same heading.');
    }
}

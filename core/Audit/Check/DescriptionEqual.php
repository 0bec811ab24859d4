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

/** Two pages with one description. */
final class DescriptionEqual implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'description-equal',
            'Same description as another page',
            'The same text under several results helps nobody choose.',
            Severity::Notice,
            4,
            Fix::Description,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $key = $page->keys()['description'] ?? null;
        if ($key === null || ! $page->hasContent() || ! $page->isSelfCanonical()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->isShared($key, $page->id), 'Another page has the same description.');
    }
}

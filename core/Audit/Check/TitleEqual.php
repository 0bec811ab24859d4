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

/** Two pages with one title. */
final class TitleEqual implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'title-equal',
            'Same title as another page',
            'Nobody can tell two results with the same title apart.',
            Severity::Warning,
            7,
            Fix::Title,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $key = $page->keys()['title'] ?? null;
        if ($key === null || ! $page->hasContent() || ! $page->isSelfCanonical()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->isShared($key, $page->id), 'Another page has the same title.');
    }
}

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

/** Two pages that want to be found for the same. */
final class PhraseTaken implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'phrase-taken',
            'Another page has the same phrase',
            'The two compete, and both rank lower.',
            Severity::Warning,
            3,
            Fix::Phrase,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $key = $page->keys()['phrase'] ?? null;
        if ($key === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($site->isShared($key, $page->id), 'Another page has the same target phrase.');
    }
}

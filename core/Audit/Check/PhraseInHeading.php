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

/** Whether the heading says the target phrase. */
final class PhraseInHeading implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'phrase-heading',
            'Phrase not in the heading',
            'People look for the words that they searched for.',
            Severity::Notice,
            4,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->phrase === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->phrase->inHeading, "“{$page->phrase->phrase}” does not stand in the heading.");
    }
}

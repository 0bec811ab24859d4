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

/** Whether the description says the target phrase. */
final class PhraseInDescription implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'phrase-description',
            'Phrase not in the description',
            'People look for the words that they searched for.',
            Severity::Notice,
            2,
            Fix::Description,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->phrase === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(! $page->phrase->inDescription, "“{$page->phrase->phrase}” does not stand in the description.");
    }
}

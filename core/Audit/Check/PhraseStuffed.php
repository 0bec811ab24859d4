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

/** A phrase that is said far too often. */
final class PhraseStuffed implements Check
{
    /** Share of the words. */
    private const MAX = 0.03;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'phrase-stuffed',
            'Phrase said too often',
            'Readers notice, and engines take it for a trick.',
            Severity::Warning,
            2,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->phrase === null) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            $page->phrase->density > self::MAX,
            sprintf('“%s” makes up %d %% of the words; beyond %d %% it looks like a trick.', $page->phrase->phrase, round(100 * $page->phrase->density), 100 * self::MAX),
        );
    }
}

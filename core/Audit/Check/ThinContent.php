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

/** A page that says little. */
final class ThinContent implements Check
{
    /** Words. */
    public const MIN = 120;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'thin-content',
            'Little content',
            'Engines prefer pages that answer something.',
            Severity::Notice,
            1,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent() || $page->isStart) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->words < self::MIN, "Its content has {$page->words} words; from ".self::MIN.' on it answers something.');
    }
}

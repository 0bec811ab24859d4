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

/** Content that is hard to read. */
final class HardToRead implements Check
{
    private const MIN = 30;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'hard-to-read',
            'Hard to read',
            'Long sentences and long words lose readers.',
            Severity::Notice,
            1,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->readingEase === null || $page->words < ThinContent::MIN) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->readingEase < self::MIN, sprintf('Its reading ease is %d of 100 (Flesch); from %d on most people follow.', round($page->readingEase), self::MIN));
    }
}

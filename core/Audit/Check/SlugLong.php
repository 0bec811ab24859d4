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

/** A slug that nobody can read out. */
final class SlugLong implements Check
{
    /** Characters that are read at a glance. */
    private const MAX = 60;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'slug-long',
            'Slug too long',
            'Long addresses break in mails and are not read out.',
            Severity::Notice,
            1,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->isStart || ! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            mb_strlen($page->slug) > self::MAX,
            sprintf('The slug has %d characters; up to %d are read at a glance.', mb_strlen($page->slug), self::MAX),
        );
    }
}

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

/** A slug with capitals. */
final class SlugCapital implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'slug-capital',
            'Capitals in the slug',
            'People type addresses in small letters.',
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

        return Verdict::when(preg_match('/\p{Lu}/u', $page->slug) === 1, 'The slug has capital letters.');
    }
}

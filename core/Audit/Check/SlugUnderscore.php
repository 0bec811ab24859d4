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

/** A slug with underscores, which join words instead of parting them. */
final class SlugUnderscore implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'slug-underscore',
            'Underscores in the slug',
            'Search engines separate words at hyphens, not at underscores.',
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

        return Verdict::when(str_contains($page->slug, '_'), 'The slug has underscores instead of hyphens between words.');
    }
}

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

/** A page that does not say in which language it is. */
final class LanguageMissing implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'language-missing',
            'No language',
            'Browsers and screen readers have to guess.',
            Severity::Warning,
            4,
            Fix::Site,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(trim($page->language) === '', 'Neither it nor the site says in which language it is.');
    }
}

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

/** A canonical address in another language. */
final class CanonicalLanguage implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'canonical-language',
            'Canonical in another language',
            'A translation is not the same page; engines ignore such a canonical.',
            Severity::Warning,
            4,
            Fix::Canonical,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->canonicalLanguage === null) {
            return Verdict::doesNotApply();
        }
        $primary = static fn (string $tag): string => strtolower((string) strtok($tag, '-_'));

        return Verdict::when(
            $primary($page->canonicalLanguage) !== $primary($page->language),
            "Its canonical address is on a site in another language ({$page->canonicalLanguage}).",
        );
    }
}

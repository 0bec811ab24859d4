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
use Heronstem\Core\Linking\OutsideState;

/** Broken link to another site, as far as links to other sites are tried. */
final class OutsideLinkBroken implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo('outside-link-broken', 'Broken link to another site', 'Visitors leave for a page that is not there.', Severity::Warning, 4, Fix::Content);
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $states = array_map(static fn (string $url): OutsideState => $site->outside($url), array_combine($page->outsideLinks, $page->outsideLinks));
        if (array_filter($states, static fn (OutsideState $state): bool => $state !== OutsideState::Unknown) === []) {
            return Verdict::doesNotApply();
        }
        $found = array_keys($states, OutsideState::Broken, true);
        $leads = count($found) === 1 ? 'A link leads' : count($found).' links lead';

        return Verdict::when($found !== [], "$leads to another site, where nothing answers: ".implode(', ', array_slice($found, 0, 3)).'.');
    }
}

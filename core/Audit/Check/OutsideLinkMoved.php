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

/** Link to another site that has moved, as far as links to other sites are tried. */
final class OutsideLinkMoved implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo('outside-link-moved', 'Link to another site that has moved', 'It works by a redirect that the other site may end one day.', Severity::Notice, 1, Fix::Content);
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $states = array_map(static fn (string $url): OutsideState => $site->outside($url), array_combine($page->outsideLinks, $page->outsideLinks));
        if (array_filter($states, static fn (OutsideState $state): bool => $state !== OutsideState::Unknown) === []) {
            return Verdict::doesNotApply();
        }
        $found = array_keys($states, OutsideState::Moved, true);
        $leads = count($found) === 1 ? 'A link leads' : count($found).' links lead';

        return Verdict::when($found !== [], "$leads to another site by a redirect: ".implode(', ', array_slice($found, 0, 3)).'.');
    }
}

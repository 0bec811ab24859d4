<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

use Heronstem\Core\Redirect\RuleFindingKind;

/** Faults of redirects as the audit lists them. */
final class RedirectFaults
{
    /**
     * @param  string  $redirect  identity
     * @param  string  $also  what else is named: the rule that covers it, or the page that it hides
     * @param  int  $days  since it was last used
     */
    public static function of(RuleFindingKind $kind, string $redirect, string $source, string $also = '', int $days = 0): SiteFault
    {
        return new SiteFault(self::info($kind), $redirect, $source, self::says($kind, $source, $also, $days));
    }

    public static function info(RuleFindingKind $kind): FaultInfo
    {
        return match ($kind) {
            RuleFindingKind::Loop => new FaultInfo('redirect-loop', 'Redirects that end in a loop', 'Visitors come back to where they were, and get nothing.', Severity::Error, 8),
            RuleFindingKind::DeadTarget => new FaultInfo('redirect-dead-target', 'Redirects that lead nowhere', 'Visitors of the old address get “page not found”.', Severity::Error, 6),
            RuleFindingKind::GoneTarget => new FaultInfo('redirect-gone-target', 'Redirects to what is gone', 'The old address could say itself that it is gone.', Severity::Warning, 3),
            RuleFindingKind::HidesPage => new FaultInfo('redirect-hides-page', 'Redirects that hide a live page', 'Nobody gets the page at its address.', Severity::Warning, 5),
            RuleFindingKind::Chain => new FaultInfo('redirect-chain', 'Redirects that lead to another redirect', 'Engines that read them follow few steps; one is enough.', Severity::Notice, 2),
            RuleFindingKind::NeverFires => new FaultInfo('redirect-never-fires', 'Redirects that never apply', 'Something else takes every request first.', Severity::Notice, 1),
            RuleFindingKind::NotHttps => new FaultInfo('redirect-not-https', 'Redirects to an unencrypted site', 'Browsers warn visitors on arrival.', Severity::Notice, 2),
            RuleFindingKind::Expired => new FaultInfo('redirect-expired', 'Redirects that have expired', 'They no longer answer and clutter the list.', Severity::Notice, 1),
            RuleFindingKind::Idle => new FaultInfo('redirect-idle', 'Redirects that nobody uses', 'Nobody has used it for a long time.', Severity::Notice, 1),
            RuleFindingKind::Doubled => new FaultInfo('redirect-doubled', 'Redirects that say what a branch says', 'The branch answers just the same without it.', Severity::Notice, 1),
        };
    }

    private static function says(RuleFindingKind $kind, string $source, string $also, int $days): string
    {
        return match ($kind) {
            RuleFindingKind::Loop => "$source ends in a loop.",
            RuleFindingKind::DeadTarget => "$source leads to an address where nothing is.",
            RuleFindingKind::GoneTarget => "$source leads to what is recorded as gone.",
            RuleFindingKind::HidesPage => "$source answers before “{$also}”, which is live.",
            RuleFindingKind::Chain => "$source leads to another redirect.",
            RuleFindingKind::NeverFires => "$source never applies".($also === '' ? '.' : ", since $also takes every request first."),
            RuleFindingKind::NotHttps => "$source leads to an address that begins with http://.",
            RuleFindingKind::Expired => "$source has expired.",
            RuleFindingKind::Idle => "Nobody has used $source for $days days.",
            RuleFindingKind::Doubled => "$source says what ".($also === '' ? 'a branch' : $also).' says as well.',
        };
    }
}

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

/** A page whose time is over and that nobody put away. */
final class ScheduleEnded implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'schedule-ended',
            'Its schedule has ended',
            'Decide whether it goes to the bin, or comes back.',
            Severity::Notice,
            2,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        return Verdict::when($page->ended, 'Its schedule took it offline, and it still stands in the tree.');
    }
}

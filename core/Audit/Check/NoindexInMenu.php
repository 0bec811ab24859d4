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

/** A page in a menu made by hand that asks not to be listed. */
final class NoindexInMenu implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'noindex-in-menu',
            'In a menu, but noindex',
            'What is worth a place in a menu is mostly worth finding.',
            Severity::Notice,
            2,
            Fix::Menus,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->handMadeMenus === []) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            ! $page->index || ! $page->isListed,
            'Search engines are asked not to list it, but it stands in '.implode(', ', $page->handMadeMenus).'.',
        );
    }
}

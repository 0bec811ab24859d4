<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit\Check;

use Heronstem\Core\Audit\AddressFate;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditedSite;
use Heronstem\Core\Audit\Check;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\Verdict;

/** A link that leads nowhere. */
final class LinkBroken implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'link-broken',
            'Broken link',
            'Visitors get “page not found”.',
            Severity::Error,
            7,
            Fix::Content,
            needsVisitors: true,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->links === [] && $page->rawLinks === []) {
            return Verdict::doesNotApply();
        }
        $unseen = array_filter($page->links, static fn (string $id): bool => $site->page($id)?->isLive !== true);
        $dead = array_filter(
            $page->rawLinks,
            static fn (string $address): bool => in_array($site->at($address), [AddressFate::Gone, AddressFate::Nothing], true),
        );
        $broken = count($unseen) + count($dead);
        $first = $dead === [] ? '' : ': '.reset($dead);

        return Verdict::when(
            $broken > 0,
            ($broken === 1 ? 'A link' : "$broken links").
                ' of its content lead'.
                ($broken === 1 ? 's' : '').
                " to nothing that visitors see$first.",
        );
    }
}

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

/** A link that goes through a redirect. */
final class LinkRedirects implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'link-redirect',
            'Link through a redirect',
            'Each detour costs time, and breaks when the redirect goes.',
            Severity::Notice,
            2,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->rawLinks === []) {
            return Verdict::doesNotApply();
        }
        $through = array_filter($page->rawLinks, static fn (string $address): bool => $site->at($address) === AddressFate::Redirect);

        return Verdict::when($through !== [], 'A link of its content goes through a redirect: '.implode(', ', array_slice($through, 0, 3)).'.');
    }
}

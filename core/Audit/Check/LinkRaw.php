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

/** A link to a page of the site that is written as an address. */
final class LinkRaw implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'link-raw',
            'Address instead of a page link',
            'It does not follow when that page moves.',
            Severity::Notice,
            2,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }
        $raw = array_filter($page->rawLinks, static fn (string $address): bool => $site->at($address) === AddressFate::Page);

        return Verdict::when($raw !== [], 'A link to a page of this site is written as an address: '.implode(', ', array_slice($raw, 0, 3)).'.');
    }
}

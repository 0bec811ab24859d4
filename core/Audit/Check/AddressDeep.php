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

/** An address with many parts. */
final class AddressDeep implements Check
{
    private const MAX = 5;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'address-deep',
            'Address has many parts',
            'Each part makes an address harder to read and to type.',
            Severity::Notice,
            1,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $parts = substr_count(trim($page->address, '/'), '/') + 1;

        return Verdict::when($parts > self::MAX, sprintf('The address has %d parts; up to %d are read at a glance.', $parts, self::MAX));
    }
}

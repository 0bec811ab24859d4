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

/** An address that is cut off wherever it is shown. */
final class AddressLong implements Check
{
    private const MAX = 115;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'address-long',
            'Address too long',
            'Results, mails and print cut long addresses.',
            Severity::Notice,
            1,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        $length = mb_strlen($page->address);

        return Verdict::when($length > self::MAX, sprintf('The address has %d characters; up to %d are shown.', $length, self::MAX));
    }
}

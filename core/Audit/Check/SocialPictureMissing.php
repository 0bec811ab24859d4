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

/** A page whose card has no picture. */
final class SocialPictureMissing implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'social-picture-missing',
            'No social picture',
            'Cards without a picture are overlooked.',
            Severity::Notice,
            1,
            Fix::Social,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if (! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        return Verdict::when($page->socialPicture === null, 'Its card has no picture: none of its own, in its content, or inherited.');
    }
}

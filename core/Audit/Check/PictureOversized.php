<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit\Check;

use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditedSite;
use Heronstem\Core\Audit\Check;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Picture;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\Verdict;

/** A picture that takes long to load. */
final class PictureOversized implements Check
{
    private const MAX_BYTES = 500_000;

    /** px */
    private const MAX_SIDE = 2560;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'picture-oversized',
            'Picture too large',
            'Visitors wait for it, especially on phones.',
            Severity::Notice,
            2,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->pictures === []) {
            return Verdict::doesNotApply();
        }
        $large = array_filter(
            $page->pictures,
            static fn (Picture $picture): bool => $picture->bytes > self::MAX_BYTES || max($picture->width, $picture->height) > self::MAX_SIDE,
        );

        return Verdict::when($large !== [], count($large) === 1 ? 'A picture is larger than any screen needs.' : count($large).' pictures are larger than any screen needs.');
    }
}

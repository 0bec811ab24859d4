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

/** A picture too small for a card. */
final class SocialPictureSmall implements Check
{
    /** px */
    private const MIN_WIDTH = 600;

    /** px */
    private const MIN_HEIGHT = 315;

    public function info(): CheckInfo
    {
        return new CheckInfo(
            'social-picture-small',
            'Social picture too small',
            'Small pictures are shown as a thumbnail, or left out.',
            Severity::Notice,
            2,
            Fix::Social,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->socialPicture === null) {
            return Verdict::doesNotApply();
        }
        [$width, $height] = $page->socialPicture;

        return Verdict::when(
            $width < self::MIN_WIDTH || $height < self::MIN_HEIGHT,
            sprintf('The picture of its card has %d × %d px; at least %d × %d are needed.', $width, $height, self::MIN_WIDTH, self::MIN_HEIGHT),
        );
    }
}

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

/** A picture without alternative text. */
final class PictureWithoutText implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'picture-no-alt',
            'Picture without alternative text',
            'People who cannot see the picture, and search engines, learn nothing from it.',
            Severity::Warning,
            5,
            Fix::Content,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->pictures === []) {
            return Verdict::doesNotApply();
        }
        $silent = count(array_filter($page->pictures, static fn (Picture $picture): bool => trim($picture->alt) === ''));

        return Verdict::when($silent > 0, $silent === 1 ? 'A picture has no alternative text.' : "$silent pictures have no alternative text.");
    }
}

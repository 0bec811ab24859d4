<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit\Check;

use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditedSite;
use Heronstem\Core\Audit\Check;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\Stem;
use Heronstem\Core\Audit\Verdict;

/** A slug that shares no word with the heading. */
final class SlugUnlikeHeading implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'slug-unlike-heading',
            'Slug unlike the heading',
            'An address that says something else makes people doubt where they are.',
            Severity::Notice,
            1,
            Fix::Details,
        );
    }

    public function on(AuditedPage $page, AuditedSite $site): Verdict
    {
        if ($page->isStart || ! $page->hasContent()) {
            return Verdict::doesNotApply();
        }

        $of = static fn (string $text): array => Stem::ofWords($text, $page->language);
        $slug = $of(str_replace('-', ' ', $page->slug));
        if ($slug === [] || preg_match('/[^\x00-\x7F]/', implode('', $of($page->heading))) === 1) {
            return Verdict::doesNotApply();
        }

        return Verdict::when(
            array_intersect($slug, [...$of($page->heading), ...$of($page->name)]) === [],
            'The slug shares no word with the heading.',
        );
    }
}

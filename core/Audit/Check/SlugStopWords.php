<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit\Check;

use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditedSite;
use Heronstem\Core\Audit\Check;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\StopWords;
use Heronstem\Core\Audit\Verdict;

/** A slug most of whose words say nothing. */
final class SlugStopWords implements Check
{
    public function info(): CheckInfo
    {
        return new CheckInfo(
            'slug-stop-words',
            'Filler words in the slug',
            'Words like “the” and “and” make an address longer and say nothing.',
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

        $words = array_filter(explode('-', $page->slug));
        $filler = array_intersect($words, StopWords::of($page->language));

        return Verdict::when(
            count($filler) > 1 && 2 * count($filler) >= count($words),
            'Half of the slug is filler: '.implode(', ', $filler).'.',
        );
    }
}

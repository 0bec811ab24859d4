<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Everything that a document needs from around it to be shown. */
final readonly class Sources
{
    public function __construct(public LinkTargets $targets, public Files $files, public PageLists $lists, public Films $films)
    {
    }
}

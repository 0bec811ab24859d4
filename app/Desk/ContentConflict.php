<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;

/** Somebody saved other content, or another heading or summary, since this was begun. Carries the page with theirs, so that both can be shown. */
final class ContentConflict extends \RuntimeException
{
    public function __construct(public readonly Page $theirs)
    {
        parent::__construct('Somebody else saved this page meanwhile.');
    }
}

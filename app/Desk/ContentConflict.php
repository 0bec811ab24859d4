<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\PageContent;

/** Somebody saved other content since this was begun. Carries theirs, so that both can be shown. */
final class ContentConflict extends \RuntimeException
{
    public function __construct(public readonly ?PageContent $theirs)
    {
        parent::__construct('Somebody else saved this page meanwhile.');
    }
}

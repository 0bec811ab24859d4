<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\PageWords;

/** Somebody saved other words since these were begun. Carries theirs, so that both can be shown. */
final class WordsMovedOn extends \RuntimeException
{
    public function __construct(public readonly ?PageWords $theirs)
    {
        parent::__construct('Somebody saved other words meanwhile.');
    }
}

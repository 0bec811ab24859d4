<?php

declare(strict_types=1);

namespace App\Desk;

use App\Store\CopiedContents;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\MakeFrom;
use Heronstem\Core\Search\Placeholders;

/** Contents that were just made from a starting point, with the words that somebody gave for what stands in braces. */
final readonly class FillPlaceholders
{
    public function __construct(private CopiedContents $contents)
    {
    }

    public function after(Batch $batch): void
    {
        foreach ($batch->changes as $change) {
            if ($change instanceof MakeFrom && $change->words !== []) {
                $filled = Placeholders::with($change->words);
                $this->contents->rewrite($change->page, $filled->document(...));
            }
        }
    }
}

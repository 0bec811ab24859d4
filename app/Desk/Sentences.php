<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Ripple;

/** Says in one sentence what a batch did. Page names stand between asterisks. */
final class Sentences
{
    public function of(Batch $batch, Ripple $ripple): string
    {
        $first = $batch->changes[0];
        $page = $ripple->outcome[(string) ($first->toArray()['page'] ?? '')] ?? null;
        $name = '*'.($page->name ?? '').'*';
        $said = match (true) {
            $first instanceof Change\Make => "Made $name",
            $first instanceof Change\Rename => "Renamed a page to $name",
            $first instanceof Change\SetSlug => "Set the slug of $name to “{$first->slug->text}”",
            $first instanceof Change\Move => "Moved $name",
            $first instanceof Change\GoLive => "Put $name live",
            $first instanceof Change\TakeOffline => "Took $name offline",
            default => 'Changed the structure',
        };
        $more = count($batch->changes) - 1;

        return $said.($more > 0 ? sprintf(' and %d more %s', $more, $more === 1 ? 'change' : 'changes') : '');
    }
}

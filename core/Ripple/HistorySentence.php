<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Wording;

/** Says in one sentence what a batch did. Names stand between asterisks. */
final readonly class HistorySentence
{
    /** Longest part kept of what was undone, in characters. */
    private const MAX_QUOTED_LENGTH = 300;

    public function __construct(private Names $names)
    {
    }

    public function of(Batch $batch, Ripple $ripple): string
    {
        $more = count($batch->changes) - 1;

        return $batch->changes[0]->sentence(new RippleOutcome($ripple, $this->names)).
            ($more > 0 ? ' and '.Wording::count($more, 'more change') : '').
            self::follows($ripple);
    }

    /** Of what nobody did: its moment had come. */
    public function scheduled(Batch $batch, Ripple $ripple): string
    {
        $outcome = new RippleOutcome($ripple, $this->names);
        $parts = [];
        foreach (['went live' => $ripple->pages->goLive, 'went offline' => $ripple->pages->goOffline] as $did => $pages) {
            if ($pages !== []) {
                $parts[] = $outcome->together($pages[0], count($pages))->page($pages[0])." $did";
            }
        }

        return 'As scheduled, '.($parts === [] ? $batch->changes[0]->sentence($outcome) : implode(', and ', $parts)).self::follows($ripple);
    }

    /** @param  non-empty-list<string>  $sentences  of what was undone, newest first */
    public function undone(array $sentences): string
    {
        $newest = mb_substr($sentences[0], 0, self::MAX_QUOTED_LENGTH);

        return count($sentences) === 1 ? "Undid: $newest" : sprintf('Undid %d changes, the last of them: %s', count($sentences), $newest);
    }

    private static function follows(Ripple $ripple): string
    {
        $follows = array_filter([
            count($ripple->addresses->moved) > 1 ? count($ripple->addresses->moved).' addresses' : null,
            $ripple->addresses->redirectsWritten->isEmpty() ? null : Wording::count(count($ripple->addresses->redirectsWritten), 'redirect'),
        ]);

        return $follows === [] ? '' : ': '.implode(', ', $follows);
    }
}

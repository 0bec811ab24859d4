<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\User;
use App\Store\BroughtContents;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\SetContent;
use Heronstem\Core\Ripple\Ripple;

/** Contents that changes of a batch set: numbered before it is planned, and kept as versions when it is applied. */
final readonly class NumberContents
{
    private const NOTE = 'Set by a change';

    public function __construct(private BroughtContents $contents)
    {
    }

    /** The same batch with the numbers that the versions will have. */
    public function numbered(Batch $batch): Batch
    {
        $named = array_map(static fn (SetContent $change): string => $change->page, self::of($batch));
        if ($named === []) {
            return $batch;
        }
        $last = $this->contents->last(array_values(array_unique($named)));
        $changes = $batch->changes;
        foreach ($changes as $i => $change) {
            if ($change instanceof SetContent) {
                $changes[$i] = $change->numbered($last[$change->page] = 1 + ($last[$change->page] ?? 0));
            }
        }

        return new Batch($changes, $batch->decisions);
    }

    /**
     * Keeps versions of pages that are there.
     *
     * @return list<array{page: string, saved: int, shown: int|null, working: array<mixed>, live: null}> those of pages that are made with the batch
     */
    public function keepBefore(Batch $batch, Ripple $ripple, ?User $user): array
    {
        $made = [];
        foreach ($ripple->pages->differences as $difference) {
            if ($difference->wasMade()) {
                $made[$difference->page] = true;
            }
        }
        $there = $new = [];
        foreach (self::of($batch) as $change) {
            $page = $ripple->pages->outcome->find($change->page);
            $row = ['page' => $change->page, 'saved' => (int) $change->version, 'shown' => $page?->contentLive, 'working' => $change->document->toArray(), 'live' => null];
            // Of several for a page that is new the last one is what it begins with.
            isset($made[$change->page]) ? ($new[$change->page] = $row) : ($there[] = $row);
        }
        $this->contents->write($there, false, self::NOTE, $user?->id);

        return array_values($new);
    }

    /** @param  list<array{page: string, saved: int, shown: int|null, working: array<mixed>, live: null}>  $new */
    public function keepAfter(array $new, ?User $user): void
    {
        $this->contents->write($new, true, self::NOTE, $user?->id);
    }

    /** @return list<SetContent> */
    private static function of(Batch $batch): array
    {
        return array_values(array_filter($batch->changes, static fn ($change): bool => $change instanceof SetContent));
    }
}

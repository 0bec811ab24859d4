<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\ChangeUnderWay;
use App\Models\User;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'ChangeUnderWay', description: 'A large change that is made in the background, in one step, or not at all.')]
final readonly class UnderWayView
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(description: 'what is done; of somebody who sees a part of the site alone, only that something is')] public string $title,
        #[OA\Property(description: 'null for somebody who has no account any more')] public ?string $by,
        #[OA\Property(description: 'it is one’s own')] public bool $own,
        #[OA\Property(description: 'about how many pages it concerns')] public int $pages,
        #[
            OA\Property(
                description: 'planning: what follows is worked out; refused: it cannot be like this, and why stands in problem; failed: a fault',
                enum: ['waiting', 'planning', 'writing', 'done', 'refused', 'stopped', 'failed'],
            ),
        ]
        public string $state,
        #[OA\Property(description: 'rows written so far')] public int $done,
        #[OA\Property(description: 'rows to be written; 0 while that is not known')] public int $total,
        #[OA\Property(description: 'why it was not done; nothing was changed then')] public ?string $problem,
        #[OA\Property(description: 'what would follow is no longer what was seen: look again, and apply it again')] public bool $lookAgain,
        #[OA\Property(description: 'somebody asked it to stop')] public bool $stopping,
        #[OA\Property(ref: '#/components/schemas/HistoryEntry', nullable: true, description: 'what came of one’s own')] public ?HistoryView $entry,
    ) {
    }

    /** @param  bool  $seesAll  whether they see the whole site, and so whatever page it names */
    public static function of(ChangeUnderWay $change, User $for, bool $seesAll = true): self
    {
        $own = $change->user_id === $for->id;

        return new self(
            $change->ulid,
            $own || $seesAll ? $change->title : 'Making a large change',
            $change->user?->name,
            $own,
            $change->pages,
            $change->state,
            min($change->done, $change->total),
            $change->total,
            $change->problem,
            $change->look_again,
            $change->stop_asked && $change->ended_at === null,
            $change->entry === null || ! $own ? null : HistoryView::of($change->entry),
        );
    }
}

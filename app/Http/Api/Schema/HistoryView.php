<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\HistoryEntry;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'HistoryEntry', description: 'A batch that was applied.')]
readonly class HistoryView
{
    /**
     * @param  array{page: string, number: int}|null  $version
     */
    final public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(description: 'page names stand between asterisks')] public string $sentence,
        #[OA\Property(description: 'null for what the schedule carried out')] public ?string $by,
        #[OA\Property(format: 'date-time')] public string $at,
        #[OA\Property] public string $note,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer'))] public object $counts,
        #[OA\Property(description: 'it takes another entry back')] public bool $undoes,
        #[OA\Property] public bool $undone,
        #[OA\Property(description: 'its details are gone, so it cannot be undone')] public bool $thinned,
        #[
            OA\Property(
                description: 'of an entry that tells of saved content: the version, which is opened and brought back on its page',
                type: 'object',
                nullable: true,
                required: ['page', 'number'],
                properties: [new OA\Property('page', type: 'string'), new OA\Property('number', type: 'integer')],
            ),
        ]
        public ?array $version,
        #[OA\Property(description: 'of an entry that tells of a file: the file, whose versions take it back')] public ?string $file,
        #[OA\Property(description: 'likewise a shared piece')] public ?string $piece,
    ) {
    }

    public static function of(HistoryEntry $entry): self
    {
        return new self(
            $entry->ulid,
            $entry->sentence,
            $entry->user?->name,
            $entry->created_at->toIso8601ZuluString(),
            $entry->note,
            (object) $entry->counts,
            $entry->undoes_id !== null,
            $entry->undone_by_id !== null,
            $entry->thinned_at !== null,
            $entry->version(),
            $entry->file(),
            $entry->piece(),
        );
    }
}

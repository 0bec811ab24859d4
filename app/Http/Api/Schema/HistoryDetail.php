<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\RippleAccount;
use App\Models\HistoryEntry;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'HistoryDetail', description: 'An applied batch with its ripple as it was; null where the details have been thinned.')]
final readonly class HistoryDetail
{
    /** @param  array<string, mixed>|null  $ripple */
    private function __construct(
        #[OA\Property(ref: '#/components/schemas/HistoryEntry')] public HistoryView $entry,
        #[OA\Property(ref: '#/components/schemas/RippleAccount', type: 'object', nullable: true)] public ?array $ripple,
    ) {
    }

    public static function of(HistoryEntry $entry): self
    {
        return new self(HistoryView::of($entry), RippleAccount::shown($entry->ripple));
    }
}

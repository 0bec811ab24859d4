<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\RippleAccount;
use App\Models\HistoryEntry;
use App\Models\Page;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'HistoryDetail', description: 'An applied batch with its ripple as it was; null where the details have been thinned.')]
final readonly class HistoryDetail
{
    /** Pages of a replacement that are listed. */
    private const LISTED = 500;

    /**
     * @param  array<string, mixed>|null  $ripple
     * @param  list<PageCrumb>  $replacedOn
     */
    private function __construct(
        #[OA\Property(ref: '#/components/schemas/HistoryEntry')] public HistoryView $entry,
        #[OA\Property(ref: '#/components/schemas/RippleAccount', type: 'object', nullable: true)] public ?array $ripple,
        #[
            OA\Property(
                description: 'of what was replaced: the pages, each of which is undone by itself',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/PageCrumb'),
            ),
        ]
        public array $replacedOn,
    ) {
    }

    /** @return list<PageCrumb> */
    private static function replacedOn(HistoryEntry $entry): array
    {
        if (($entry->batch[0]['kind'] ?? null) !== 'replace-text') {
            return [];
        }
        $ids = array_slice(array_column($entry->pages, 'page'), 0, self::LISTED);

        return array_values(
            Page::query()->where('site_id', $entry->site_id)->whereIn('ulid', $ids)->orderBy('name')->get()->map(PageCrumb::of(...))->all(),
        );
    }

    public static function of(HistoryEntry $entry): self
    {
        return new self(HistoryView::of($entry), RippleAccount::shown($entry->ripple), self::replacedOn($entry));
    }
}

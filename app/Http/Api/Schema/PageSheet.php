<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Page;
use App\Models\Site;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'PageSheet', description: 'Everything about one page but its words.')]
final readonly class PageSheet
{
    /**
     * @param  list<PageCrumb>  $within
     * @param  list<string>  $sendsOn
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property(description: 'null while it follows the name')] public ?string $heading,
        #[OA\Property] public string $slug,
        #[OA\Property] public string $address,
        #[OA\Property(ref: '#/components/schemas/State')] public string $state,
        #[OA\Property] public bool $everLive,
        #[OA\Property(format: 'date-time')] public ?string $liveSince,
        #[OA\Property] public bool $listed,
        #[OA\Property] public bool $start,
        #[OA\Property] public string $summary,
        #[OA\Property] public string $searchTitle,
        #[OA\Property] public string $searchDescription,
        #[OA\Property(description: 'ancestors from the top down', type: 'array', items: new OA\Items(ref: '#/components/schemas/PageCrumb'))] public array $within,
        #[OA\Property(description: 'sibling before it', ref: '#/components/schemas/PageCrumb', nullable: true)] public ?PageCrumb $after,
        #[OA\Property(description: 'former addresses that send on to it', type: 'array', items: new OA\Items(type: 'string'))] public array $sendsOn,
        #[OA\Property(description: 'how many siblings stand before it')] public int $index,
        #[OA\Property] public int $children,
        #[OA\Property] public int $branch,
        #[OA\Property] public bool $edited,
        #[OA\Property] public string $url,
        #[OA\Property(format: 'date-time')] public string $changed,
        #[OA\Property] public ?string $changedBy,
    ) {
    }

    public static function of(Page $page, Site $site): self
    {
        $earlier = Page::query()->where('site_id', $site->id)->where('parent_id', $page->parent_id)->where('position', '<', $page->position);
        $before = $earlier->clone()->orderByDesc('position')->first();

        return new self(
            id: $page->ulid, name: $page->name, heading: $page->heading, slug: $page->slug, address: $page->address, state: $page->state->value,
            everLive: $page->ever_live, liveSince: $page->live_since?->toIso8601ZuluString(), listed: $page->listed, start: $page->id === $site->start_page_id,
            summary: $page->summary, searchTitle: $page->search_title, searchDescription: $page->search_description,
            within: array_map(PageCrumb::of(...), $page->ancestors()),
            after: $before === null ? null : PageCrumb::of($before),
            sendsOn: array_values(DB::table('ledger')->where('page_id', $page->id)->where('kind', 'redirect')->orderBy('key')->pluck('address')->all()),
            index: $earlier->count(),
            children: Page::query()->where('parent_id', $page->id)->count(),
            branch: Page::query()->where('site_id', $site->id)->whereRaw('path <@ ?::ltree', [$page->path])->count() - 1,
            edited: $page->state->value === 'live' && ($page->words?->hasUnpublishedEdits() ?? false),
            url: $site->origin.$page->address,
            changed: $page->updated_at->toIso8601ZuluString(), changedBy: $page->changedBy?->name,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\HeldRights;
use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Tree\Page as TreePage;
use Heronstem\Core\Tree\Stored;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'PageSheet', description: 'Everything about one page but its content.')]
final readonly class PageSheet
{
    /**
     * @param  list<array<string, mixed>>  $layoutFields
     * @param  list<string>  $tags
     * @param  list<string>  $code
     * @param  list<PageCrumb>  $within
     * @param  list<string>  $sendsOn
     * @param  array{target: array<string, string>, name: string}|null  $leadsTo
     * @param  list<string>  $alsoAnswers
     * @param  list<string>  $rights
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
        #[OA\Property] public string $layout,
        #[
            OA\Property(description: 'what stands in the fields of its layout, by their keys', type: 'object', additionalProperties: true),
        ]
        public object $fields,
        #[
            OA\Property(
                description: 'the fields that it has: those of its layout, with what groups of a collection above it give',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/LayoutField'),
            ),
        ]
        public array $layoutFields,
        #[
            OA\Property(
                description: 'how many values are kept for layouts that it had, by layout',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            ),
        ]
        public object $kept,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $tags,
        #[OA\Property(description: 'identity of its small picture in menus and on cards')] public ?string $picture,
        #[OA\Property(description: 'minutes after which browsers load it anew')] public ?int $reload,
        #[
            OA\Property(ref: '#/components/schemas/Caching', nullable: true, description: 'null for what holds for the site'),
        ]
        public string|int|null $caching,
        #[
            OA\Property(description: 'what the owner wrote by hand', type: 'array', items: new OA\Items(type: 'string', enum: ['styles', 'head'])),
        ]
        public array $code,
        #[OA\Property] public string $searchTitle,
        #[OA\Property] public string $searchDescription,
        #[OA\Property] public string $socialTitle,
        #[OA\Property] public string $socialDescription,
        #[OA\Property(description: 'search engines may list it, after everything it inherits')] public bool $indexed,
        #[
            OA\Property(description: 'ancestors from the top down', type: 'array', items: new OA\Items(ref: '#/components/schemas/PageCrumb')),
        ]
        public array $within,
        #[OA\Property(description: 'sibling before it', ref: '#/components/schemas/PageCrumb', nullable: true)] public ?PageCrumb $after,
        #[OA\Property(description: 'former addresses that send on to it', type: 'array', items: new OA\Items(type: 'string'))] public array $sendsOn,
        #[OA\Property(description: 'how many siblings stand before it')] public int $index,
        #[OA\Property] public int $children,
        #[OA\Property] public int $branch,
        #[OA\Property] public bool $edited,
        #[OA\Property] public string $url,
        #[OA\Property(format: 'date-time')] public string $changed,
        #[OA\Property] public ?string $changedBy,
        #[OA\Property(ref: '#/components/schemas/PageKind')] public string $kind,
        #[
            OA\Property(
                description: 'of a pointer or download: what it leads to, as a change writes it, and its name',
                required: ['target', 'name'],
                type: 'object',
                nullable: true,
                properties: [
                    new OA\Property('target', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
                    new OA\Property('name', type: 'string'),
                ],
            ),
        ]
        public ?array $leadsTo,
        #[OA\Property] public bool $leftOut,
        #[OA\Property] public bool $isProtected,
        #[OA\Property(description: 'null while the address follows slug and parent')] public ?string $pinned,
        #[OA\Property(format: 'date-time')] public ?string $from,
        #[OA\Property(format: 'date-time')] public ?string $until,
        #[OA\Property(description: 'said when it was last sent for review or returned')] public string $reviewNote,
        #[OA\Property(description: 'further addresses that serve it', type: 'array', items: new OA\Items(type: 'string'))] public array $alsoAnswers,
        #[
            OA\Property(description: 'in the bin: the page it went there with', ref: '#/components/schemas/PageCrumb', nullable: true),
        ]
        public ?PageCrumb $bin,
        #[OA\Property(ref: '#/components/schemas/PageAccess')] public object $access,
        #[
            OA\Property(description: 'what one may do to it', type: 'array', items: new OA\Items(ref: '#/components/schemas/Right')),
        ]
        public array $rights,
    ) {
    }

    /**
     * @param  TreePage  $of  the same page, with all fields that the rules give it
     * @param  Layout  $layout  as it has it at its place
     * @param  array<string, mixed>  $access  who sees it
     */
    public static function of(Page $page, TreePage $of, Layout $layout, Site $site, HeldRights $held, array $access): self
    {
        $earlier = Page::query()
            ->where('site_id', $site->id)
            ->where('parent_id', $page->parent_id)
            ->where('state', '<>', 'bin')
            ->where('position', '<', $page->position);
        $before = $earlier->clone()->orderByDesc('position')->first();

        $texts = $of->working();

        return new self(
            id: $page->ulid,
            name: $of->name,
            heading: $texts->heading,
            slug: $of->slug->text,
            address: $of->address->path,
            state: $of->state->value,
            everLive: $of->everLive,
            liveSince: $page->live_since?->toIso8601ZuluString(),
            listed: $of->listed,
            start: $page->id === $site->start_page_id,
            summary: $texts->summary,
            layout: $of->layout,
            fields: (object) $texts->fields->values,
            layoutFields: LayoutView::fields($layout),
            kept: (object) array_map(count(...), $texts->fields->kept),
            tags: $of->tags->all,
            picture: $of->showing->picture,
            reload: $of->showing->reload,
            caching: $of->showing->caching?->toValue(),
            code: array_keys(Stored::said(['styles' => $of->code->styles, 'head' => $of->code->head])),
            searchTitle: $texts->searchTitle,
            searchDescription: $texts->searchDescription,
            socialTitle: $texts->socialTitle,
            socialDescription: $texts->socialDescription,
            indexed: $page->indexed,
            within: array_map(PageCrumb::of(...), $page->ancestors()),
            after: $before === null ? null : PageCrumb::of($before),
            sendsOn: self::addresses($page, 'redirect'),
            index: $earlier->count(),
            children: Page::query()->where('parent_id', $page->id)->where('state', '<>', 'bin')->count(),
            branch: Page::query()
                ->where('site_id', $site->id)
                ->whereRaw('path <@ ?::ltree', [$page->path])
                ->where('bin_id', $page->bin_id)
                ->count() - 1,
            edited: $of->hasEdits(),
            url: $site->origin.$page->address,
            changed: $page->updated_at->toIso8601ZuluString(),
            changedBy: $page->changedBy?->name,
            kind: $of->kind->value,
            leadsTo: self::target($page, $site),
            leftOut: $of->leftOut,
            isProtected: $of->isProtected,
            pinned: $of->pinned?->path,
            from: $of->from?->iso(),
            until: $of->until?->iso(),
            reviewNote: $of->reviewNote,
            alsoAnswers: self::addresses($page, 'also'),
            bin: $page->bin_id === null ? null : PageCrumb::of(Page::query()->findOrFail($page->bin_id)),
            access: (object) $access,
            rights: array_column($held->allOn($page->path), 'value'),
        );
    }

    /** @return list<string> */
    private static function addresses(Page $page, string $kind): array
    {
        return array_values(DB::table('ledger')->where('page_id', $page->id)->where('kind', $kind)->orderBy('key')->pluck('address')->all());
    }

    /** @return array{target: array<string, string>, name: string}|null */
    private static function target(Page $page, Site $site): ?array
    {
        $target = $page->target();
        $name = match ($target?->kind) {
            TargetKind::Page => Page::query()->where('site_id', $site->id)->where('ulid', $target->value)->value('name'),
            TargetKind::File => File::query()->where('site_id', $site->id)->where('ulid', $target->value)->value('name'),
            default => $target?->value,
        };

        return $target === null ? null : ['target' => $target->toArray(), 'name' => is_string($name) ? $name : 'nothing: it is gone'];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\SiteImport;
use Heronstem\Core\Interchange\Pages\PlacedPage;
use Heronstem\Core\Interchange\Pages\PlacedSource;
use Heronstem\Core\Interchange\Pages\Remark;
use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'SourceSaid',
        description: 'How something that was given is read, and what becomes of it.',
        required: [],
        properties: [
            new OA\Property(
                'format',
                type: 'string',
                enum: ['table', 'sitemap', 'addresses', 'log', 'html', 'opml', 'markdown', 'json'],
                nullable: true,
            ),
            new OA\Property(
                'columns',
                description: 'what columns mean, in their order; null for what the head says',
                type: 'array',
                items: new OA\Items(type: 'string', nullable: true),
            ),
            new OA\Property('delimiter', type: 'string', nullable: true),
            new OA\Property('encoding', type: 'string', nullable: true),
            new OA\Property('menus', description: 'numbers of found menus that come along', type: 'array', items: new OA\Items(type: 'integer')),
            new OA\Property('under', description: 'page below which everything stands; null for the top', type: 'string', nullable: true),
            new OA\Property('gaps', type: 'string', enum: ['sections', 'skip']),
            new OA\Property('as', type: 'string', enum: ['draft', 'live', 'given']),
            new OA\Property('changesKnown', type: 'boolean'),
            new OA\Property('keepsAddresses', type: 'boolean'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'SourceSays',
        description: 'The same in full; null where it follows from what it looks like.',
        required: ['format', 'columns', 'delimiter', 'encoding', 'menus', 'under', 'gaps', 'as', 'changesKnown', 'keepsAddresses'],
        allOf: [new OA\Schema(ref: '#/components/schemas/SourceSaid')],
    ),
    OA\Schema(
        schema: 'FoundMenu',
        required: ['name', 'links'],
        properties: [
            new OA\Property('name', type: 'string'),
            new OA\Property(
                'links',
                type: 'array',
                items: new OA\Items(
                    required: ['label', 'href', 'level'],
                    properties: [
                        new OA\Property('label', type: 'string'),
                        new OA\Property('href', type: 'string'),
                        new OA\Property('level', type: 'integer'),
                    ],
                    type: 'object',
                ),
            ),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'Source',
        description: 'Something that was given to be brought in.',
        required: [
            'id',
            'name',
            'state',
            'done',
            'total',
            'problem',
            'entry',
            'field',
            'format',
            'pages',
            'files',
            'columns',
            'hasHead',
            'sample',
            'delimiter',
            'encoding',
            'menus',
            'ownMenus',
            'ownRedirects',
            'left',
            'leftCount',
            'said',
            'given',
        ],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('state', type: 'string', enum: ['reading', 'ready', 'failed', 'applying', 'applied', 'stopped']),
            new OA\Property('done', type: 'integer'),
            new OA\Property('total', type: 'integer'),
            new OA\Property('problem', type: 'string', nullable: true),
            new OA\Property('field', description: 'what the problem is about', type: 'string', nullable: true),
            new OA\Property('entry', description: 'of the history, once it is brought in', type: 'string', nullable: true),
            new OA\Property('format', type: 'string', nullable: true),
            new OA\Property('pages', type: 'integer'),
            new OA\Property('files', description: 'pictures and documents that come along', type: 'integer'),
            new OA\Property('columns', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('hasHead', type: 'boolean'),
            new OA\Property(
                'sample',
                description: 'the first rows of a table',
                type: 'array',
                items: new OA\Items(type: 'array', items: new OA\Items(type: 'string')),
            ),
            new OA\Property('delimiter', type: 'string', nullable: true),
            new OA\Property('encoding', type: 'string', nullable: true),
            new OA\Property('menus', description: 'found on the pages', type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundMenu')),
            new OA\Property('ownMenus', description: 'menus of a site file', type: 'integer'),
            new OA\Property('ownRedirects', description: 'redirects of a site file', type: 'integer'),
            new OA\Property('left', description: 'files that are dropped, and why', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('leftCount', type: 'integer'),
            new OA\Property('said', ref: '#/components/schemas/SourceSays'),
            new OA\Property('given', type: 'string', format: 'date-time'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'SourceRemark',
        required: ['field', 'reason', 'suggestion', 'refuses'],
        properties: [
            new OA\Property('field', type: 'string'),
            new OA\Property('reason', type: 'string'),
            new OA\Property('suggestion', type: 'string', nullable: true),
            new OA\Property('refuses', type: 'boolean'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'SourcePage',
        required: ['at', 'id', 'status', 'name', 'address', 'was', 'level', 'kind', 'state', 'hasContent', 'former', 'requests', 'remarks'],
        properties: [
            new OA\Property('at', description: 'where it stands in what was given', type: 'string'),
            new OA\Property('id', type: 'string'),
            new OA\Property('status', type: 'string', enum: ['new', 'between', 'changed', 'same', 'left', 'refused']),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string', nullable: true),
            new OA\Property('was', description: 'the address that it has now, where that is another', type: 'string', nullable: true),
            new OA\Property('level', type: 'integer'),
            new OA\Property('kind', type: 'string'),
            new OA\Property('state', type: 'string', nullable: true),
            new OA\Property('hasContent', type: 'boolean'),
            new OA\Property(
                'former',
                description: 'further addresses that lead to it from then on',
                type: 'array',
                items: new OA\Items(type: 'string'),
            ),
            new OA\Property('requests', type: 'integer'),
            new OA\Property('remarks', type: 'array', items: new OA\Items(ref: '#/components/schemas/SourceRemark')),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'SourcePages',
        required: ['counts', 'remarked', 'redirects', 'total', 'offset', 'pages'],
        properties: [
            new OA\Property(
                'counts',
                description: 'pages by status',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            ),
            new OA\Property('remarked', description: 'pages of which something is remarked', type: 'integer'),
            new OA\Property('redirects', type: 'integer'),
            new OA\Property('total', type: 'integer'),
            new OA\Property('offset', type: 'integer'),
            new OA\Property('pages', type: 'array', items: new OA\Items(ref: '#/components/schemas/SourcePage')),
        ],
        type: 'object',
    ),
]
final class SourceView
{
    /** What somebody may say of it. */
    public const SAID = [
        'format' => 1,
        'columns' => 1,
        'delimiter' => 1,
        'encoding' => 1,
        'menus' => 1,
        'under' => 1,
        'gaps' => 1,
        'as' => 1,
        'changesKnown' => 1,
        'keepsAddresses' => 1,
    ];

    private const PIECE = 200;

    /** @return array<string, mixed> */
    public static function of(SiteImport $import): array
    {
        $understood = $import->understood;

        return [
            'id' => $import->ulid,
            'name' => $import->name,
            'state' => $import->state,
            'done' => $import->done,
            'total' => $import->total,
            'problem' => $import->problem,
            'field' => $understood['field'] ?? null,
            'entry' => $import->entry,
            'format' => $understood['format'] ?? null,
            'pages' => $understood['pages'] ?? 0,
            'files' => $understood['assets'] ?? 0,
            'columns' => $understood['columns'] ?? [],
            'hasHead' => $understood['hasHead'] ?? false,
            'sample' => $understood['sample'] ?? [],
            'delimiter' => $understood['delimiter'] ?? null,
            'encoding' => $understood['encoding'] ?? null,
            'menus' => $understood['menus'] ?? [],
            'ownMenus' => count($understood['records']['menus'] ?? []),
            'ownRedirects' => count($understood['records']['redirects'] ?? []),
            'left' => $understood['left'] ?? [],
            'leftCount' => $understood['leftCount'] ?? 0,
            'said' => self::said($import->said),
            'given' => $import->created_at->toIso8601ZuluString(),
        ];
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    private static function said(array $said): array
    {
        return [
            ...[
                'format' => null,
                'delimiter' => null,
                'encoding' => null,
                'menus' => [],
                'under' => null,
                'gaps' => 'sections',
                'as' => 'draft',
                'changesKnown' => true,
                'keepsAddresses' => true,
            ],
            ...array_filter(array_intersect_key($said, self::SAID), static fn (mixed $value): bool => $value !== null),
            'columns' => $said['columns'] ?? [],
        ];
    }

    /** @return array<string, mixed> */
    public static function pages(PlacedSource $placed, string $status, string $text, int $offset): array
    {
        $remarked = 0;
        $shown = [];
        $text = mb_strtolower(trim($text));
        foreach ($placed->inTreeOrder() as $page) {
            $remarked += $page->remarks === [] ? 0 : 1;
            $isAsked = match ($status) {
                '' => true,
                'remarked' => $page->remarks !== [],
                default => $page->status->value === $status,
            };
            if (
                $isAsked &&
                ($text === '' ||
                    str_contains(
                        mb_strtolower(
                            "{$page->given->at} {$page->after?->name} {$page->given->name} {$page->address?->path} {$page->given->address}",
                        ),
                        $text,
                    ))
            ) {
                $shown[] = $page;
            }
        }

        return [
            'counts' => $placed->counts(),
            'remarked' => $remarked,
            'redirects' => $placed->redirects(),
            'total' => count($shown),
            'offset' => $offset,
            'pages' => array_map(self::page(...), array_slice($shown, $offset, self::PIECE)),
        ];
    }

    /** @return array<string, mixed> */
    private static function page(PlacedPage $page): array
    {
        $was = $page->before?->address->readable();
        $is = $page->address?->readable();

        return [
            'at' => $page->given->at,
            'id' => $page->id,
            'status' => $page->status->value,
            'name' => $page->after->name ?? ($page->before->name ?? ($page->given->name ?? ($page->given->address ?? $page->given->at))),
            'address' => $is,
            'was' => $was === $is ? null : $was,
            'level' => $page->level(),
            'kind' => $page->after->kind->value ?? 'page',
            'state' => $page->after?->state->value,
            'hasContent' => $page->given->hasContent,
            'former' => array_map(static fn ($address): string => $address->readable(), array_slice($page->former, 0, 20)),
            'requests' => $page->given->requests,
            'remarks' => array_map(static fn (Remark $remark): array => $remark->toArray(), $page->remarks),
        ];
    }
}

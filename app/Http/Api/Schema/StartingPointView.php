<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Site;
use App\Models\StartingPoint;
use Illuminate\Database\Eloquent\Builder;
use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'StartingPoint',
        description: 'A page or a branch that is kept to make new pages from.',
        required: ['id', 'name', 'description', 'pages', 'names', 'placeholders', 'changed', 'changedBy'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('description', type: 'string'),
            new OA\Property('pages', description: 'how many are made from it at once', type: 'integer'),
            new OA\Property('names', description: 'what the first of them are called', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(
                'placeholders',
                description: 'what stands in braces in its names, texts and content, and can be filled in when pages are made',
                type: 'array',
                items: new OA\Items(type: 'string'),
            ),
            new OA\Property('changed', type: 'string', format: 'date-time'),
            new OA\Property('changedBy', type: 'string', nullable: true),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'StartingPointNamed',
        required: ['name'],
        properties: [new OA\Property('name', type: 'string'), new OA\Property('description', type: 'string')],
        type: 'object',
    ),
    OA\Schema(
        schema: 'StartingPointSource',
        required: ['page'],
        properties: [new OA\Property('page', type: 'string'), new OA\Property('scope', type: 'string', enum: ['page', 'branch'])],
        type: 'object',
    ),
    OA\Schema(
        schema: 'StartingPointToMake',
        allOf: [new OA\Schema(ref: '#/components/schemas/StartingPointNamed'), new OA\Schema(ref: '#/components/schemas/StartingPointSource')],
    ),
]
final class StartingPointView
{
    /** Names that are told. */
    private const NAMES = 6;

    /** @return list<array<string, mixed>> */
    public static function all(Site $site): array
    {
        return array_values(array_map(self::view(...), self::query()->where('site_id', $site->id)->orderByRaw('lower(name)')->get()->all()));
    }

    /** @return array<string, mixed> */
    public static function of(StartingPoint $point): array
    {
        return self::view(self::query()->whereKey($point->id)->firstOrFail());
    }

    /** @return Builder<StartingPoint> */
    private static function query(): Builder
    {
        return StartingPoint::query()
            ->with('changedBy')
            ->select('*')
            ->selectRaw('(select count(*) from kept_pages k where k.point_id = starting_points.id) as pages')
            ->selectRaw(
                "(select coalesce(json_agg(n.name), '[]') from (select k.fields->>'name' as name from kept_pages k where k.point_id = starting_points.id order by k.id limit ?) n) as names",
                [self::NAMES],
            );
    }

    /** @return array<string, mixed> */
    private static function view(StartingPoint $point): array
    {
        return [
            'id' => $point->ulid,
            'name' => $point->name,
            'description' => $point->description,
            'pages' => (int) $point->getAttribute('pages'),
            'names' => json_decode((string) $point->getAttribute('names'), true, flags: JSON_THROW_ON_ERROR),
            'placeholders' => $point->placeholders,
            'changed' => $point->updated_at->toIso8601ZuluString(),
            'changedBy' => $point->changedBy?->name,
        ];
    }
}

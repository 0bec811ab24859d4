<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'Branch',
        description: 'A piece of the children of one page (of the top for a null parent).',
        required: ['parent', 'total', 'offset', 'rows'],
        properties: [
            new OA\Property('parent', type: 'string', nullable: true),
            new OA\Property('total', type: 'integer'),
            new OA\Property('offset', type: 'integer'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/OutlineRow')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Outline',
        required: ['counts', 'branches'],
        properties: [
            new OA\Property(
                'counts',
                required: ['pages', 'live', 'draft', 'review', 'offline', 'bin'],
                type: 'object',
                properties: [
                    new OA\Property('pages', type: 'integer'),
                    new OA\Property('live', type: 'integer'),
                    new OA\Property('draft', type: 'integer'),
                    new OA\Property('review', type: 'integer'),
                    new OA\Property('bin', type: 'integer'),
                    new OA\Property('offline', type: 'integer'),
                ],
            ),
            new OA\Property('branches', type: 'array', items: new OA\Items(ref: '#/components/schemas/Branch')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'FilteredOutline',
        required: ['total', 'facets', 'rows'],
        properties: [
            new OA\Property('total', description: 'pages that match, shown or not', type: 'integer'),
            new OA\Property(
                'facets',
                description: 'how many of them have each state, kind and layout',
                required: ['state', 'kind', 'layout', 'tag'],
                type: 'object',
                properties: [
                    new OA\Property('state', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer')),
                    new OA\Property('kind', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer')),
                    new OA\Property('layout', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer')),
                    new OA\Property('tag', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer')),
                ],
            ),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/OutlineRow')),
        ],
    ),
]
final class Outline
{
}

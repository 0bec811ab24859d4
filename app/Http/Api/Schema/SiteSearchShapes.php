<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** What visitors search on the site. */
#[
    OA\Schema(
        schema: 'AnswerToSearch',
        required: ['words', 'page', 'name', 'isSeen', 'text'],
        properties: [
            new OA\Property('words', type: 'string'),
            new OA\Property('page', description: 'that stands first', type: 'string', nullable: true),
            new OA\Property('name', type: 'string', nullable: true),
            new OA\Property('isSeen', description: 'false where visitors do not see that page', type: 'boolean'),
            new OA\Property('text', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Search',
        required: ['words', 'outcome', 'times', 'first', 'last', 'answer'],
        properties: [
            new OA\Property('words', type: 'string'),
            new OA\Property(
                'outcome',
                description: 'found: pages have the words; near: they have words that are spelt alike; nothing',
                type: 'string',
                enum: ['found', 'near', 'nothing'],
            ),
            new OA\Property('times', type: 'integer'),
            new OA\Property('first', type: 'string', format: 'date-time'),
            new OA\Property('last', type: 'string', format: 'date-time'),
            new OA\Property('answer', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/AnswerToSearch')]),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Searches',
        required: ['rows', 'answers'],
        properties: [
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/Search')),
            new OA\Property('answers', type: 'array', items: new OA\Items(ref: '#/components/schemas/AnswerToSearch')),
        ],
    ),
]
#[OA\Schema(schema: 'SearchToForget', required: ['words'], properties: [new OA\Property('words', type: 'string')])]
final class SiteSearchShapes
{
}

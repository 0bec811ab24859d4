<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** Shared pieces of content and films of other sites, as they are written and read. */
#[
    OA\Schema(
        schema: 'SharedPiece',
        description: 'Content that is written once and shown on many pages.',
        required: ['id', 'name', 'uses', 'number', 'changed'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('uses', description: 'how many pages show it', type: 'integer'),
            new OA\Property('number', description: 'counts what was saved', type: 'integer'),
            new OA\Property('changed', type: 'string', format: 'date-time'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'SharedPieceDetail',
        allOf: [
            new OA\Schema(ref: '#/components/schemas/SharedPiece'),
            new OA\Schema(
                required: ['document', 'usedIn', 'versions'],
                properties: [
                    new OA\Property('document', ref: '#/components/schemas/Document'),
                    new OA\Property(
                        'usedIn',
                        type: 'array',
                        items: new OA\Items(
                            required: ['id', 'name', 'address', 'live'],
                            properties: [
                                new OA\Property('id', type: 'string'),
                                new OA\Property('name', type: 'string'),
                                new OA\Property('address', type: 'string'),
                                new OA\Property('live', description: 'visitors get it there', type: 'boolean'),
                            ],
                            type: 'object',
                        ),
                    ),
                    new OA\Property(
                        'versions',
                        type: 'array',
                        items: new OA\Items(
                            required: ['number', 'by', 'at'],
                            properties: [
                                new OA\Property('number', type: 'integer'),
                                new OA\Property('by', type: 'string', nullable: true),
                                new OA\Property('at', type: 'string', format: 'date-time'),
                            ],
                            type: 'object',
                        ),
                    ),
                ],
                type: 'object',
            ),
        ],
    ),
    OA\Schema(
        schema: 'LookedUpFilm',
        required: ['address', 'title', 'poster'],
        properties: [
            new OA\Property('address', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('poster', description: 'identity of the picture for it', type: 'string', nullable: true),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'PieceToKeep',
        required: ['name', 'document'],
        properties: [new OA\Property('name', type: 'string'), new OA\Property('document', ref: '#/components/schemas/Document')],
        type: 'object',
    ),
]
final class PieceShapes
{
}

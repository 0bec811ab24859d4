<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'MatchListItem',
        description: 'A list of old addresses.',
        required: ['id', 'name', 'threshold', 'glossary', 'revision', 'isBehind', 'rows', 'requests', 'chosen', 'by', 'made', 'changed'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('threshold', description: 'per cent from which on what is proposed is accepted', type: 'integer'),
            new OA\Property('glossary', description: 'words of the old site and what they stand for, one a line: tt = timetable', type: 'string'),
            new OA\Property('revision', description: 'counts what changes in its rows', type: 'integer'),
            new OA\Property('isBehind', description: 'whether pages changed, or something was chosen, since it was matched', type: 'boolean'),
            new OA\Property('rows', type: 'integer'),
            new OA\Property('requests', description: 'that were counted for all of them', type: 'integer'),
            new OA\Property('chosen', description: 'rows for which somebody chose', type: 'integer'),
            new OA\Property('by', type: 'string', nullable: true),
            new OA\Property('made', type: 'string', format: 'date-time'),
            new OA\Property('changed', type: 'string', format: 'date-time'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'MatchChosen',
        required: ['choice', 'page', 'by', 'at'],
        properties: [
            new OA\Property('choice', type: 'string', enum: ['page', 'gone', 'left']),
            new OA\Property('page', ref: '#/components/schemas/MatchPage', description: 'null where it is no longer there', nullable: true),
            new OA\Property('by', type: 'string', nullable: true),
            new OA\Property('at', type: 'string', format: 'date-time'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'MatchRow',
        allOf: [
            new OA\Schema(ref: '#/components/schemas/MatchedAddress'),
            new OA\Schema(
                required: ['heading', 'isTaught', 'chosen', 'revision'],
                properties: [
                    new OA\Property('heading', type: 'string'),
                    new OA\Property('isTaught', description: 'whether it changed by what was chosen last', type: 'boolean'),
                    new OA\Property('chosen', ref: '#/components/schemas/MatchChosen', nullable: true),
                    new OA\Property('revision', type: 'integer'),
                ],
                type: 'object',
            ),
        ],
    ),
    OA\Schema(
        schema: 'MatchList',
        required: ['list', 'rows'],
        properties: [
            new OA\Property('list', ref: '#/components/schemas/MatchListItem'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/MatchRow')),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'MatchListSaid',
        required: [],
        properties: [
            new OA\Property('name', type: 'string'),
            new OA\Property('threshold', type: 'integer'),
            new OA\Property('glossary', type: 'string'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'MatchChoices',
        required: ['rows'],
        properties: [
            new OA\Property(
                'rows',
                type: 'array',
                items: new OA\Items(
                    required: ['old', 'choice', 'revision'],
                    type: 'object',
                    properties: [
                        new OA\Property('old', type: 'string'),
                        new OA\Property('choice', type: 'string', enum: ['page', 'gone', 'left'], nullable: true),
                        new OA\Property('page', description: 'that it became', type: 'string', nullable: true),
                        new OA\Property('revision', description: 'of the row that it was chosen on', type: 'integer'),
                    ],
                ),
            ),
        ],
        type: 'object',
    ),
]
final class MatchListShapes
{
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** What the site asks of the world outside. */
#[
    OA\Schema(
        schema: 'NamedPage',
        required: ['id', 'name'],
        properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
    ),
]
#[
    OA\Schema(
        schema: 'OutsideLink',
        required: ['url', 'state', 'says', 'leadsTo', 'checked', 'next', 'pages', 'first'],
        properties: [
            new OA\Property('url', type: 'string'),
            new OA\Property('state', type: 'string', enum: ['unknown', 'works', 'moved', 'broken']),
            new OA\Property('says', type: 'string'),
            new OA\Property('leadsTo', description: 'where it has moved', type: 'string', nullable: true),
            new OA\Property('checked', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('next', type: 'string', format: 'date-time'),
            new OA\Property('pages', description: 'pages that link there', type: 'integer'),
            new OA\Property('first', description: 'five of them', type: 'array', items: new OA\Items(ref: '#/components/schemas/NamedPage')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'OutsideLinks',
        required: ['isOn', 'counts', 'rows'],
        properties: [
            new OA\Property('isOn', description: 'whether they are tried', type: 'boolean'),
            new OA\Property(
                'counts',
                type: 'array',
                items: new OA\Items(
                    required: ['state', 'links'],
                    properties: [
                        new OA\Property('state', type: 'string', enum: ['unknown', 'works', 'moved', 'broken']),
                        new OA\Property('links', type: 'integer'),
                    ],
                    type: 'object',
                ),
            ),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/OutsideLink')),
        ],
    ),
]
#[OA\Schema(schema: 'LinkToTry', required: ['url'], properties: [new OA\Property('url', description: 'null for all', type: 'string', nullable: true)])]
#[OA\Schema(schema: 'LinksToBeTried', required: ['links'], properties: [new OA\Property('links', type: 'integer')])]
#[
    OA\Schema(
        schema: 'EngineMessage',
        required: ['id', 'addresses', 'first', 'state', 'tries', 'status', 'says', 'made', 'next', 'sent'],
        properties: [
            new OA\Property('id', type: 'integer'),
            new OA\Property('addresses', type: 'integer'),
            new OA\Property('first', description: 'five of them', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('state', type: 'string', enum: ['waiting', 'taken', 'refused']),
            new OA\Property('tries', type: 'integer'),
            new OA\Property('status', description: 'of the last answer', type: 'integer', nullable: true),
            new OA\Property('says', type: 'string'),
            new OA\Property('made', type: 'string', format: 'date-time'),
            new OA\Property('next', description: 'when it is sent again, while it waits', type: 'string', format: 'date-time'),
            new OA\Property('sent', type: 'string', format: 'date-time', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'EngineMessages',
        required: ['isOn', 'key', 'noted', 'rows'],
        properties: [
            new OA\Property('isOn', description: 'whether engines are told', type: 'boolean'),
            new OA\Property('key', description: 'URL at which engines find the key of the site', type: 'string', nullable: true),
            new OA\Property('noted', description: 'addresses that wait for the next message', type: 'integer'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/EngineMessage')),
        ],
    ),
]
final class OutsideShapes
{
}

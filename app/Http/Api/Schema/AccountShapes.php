<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\Accounts\Happened;
use OpenApi\Attributes as OA;

/** One's own account, and what happened at the door. */
#[
    OA\Schema(
        schema: 'LogLine',
        required: ['id', 'at', 'kind', 'who', 'network', 'device', 'detail'],
        properties: [
            new OA\Property('id', type: 'integer'),
            new OA\Property('at', type: 'string', format: 'date-time'),
            new OA\Property('kind', type: 'string', enum: Happened::class),
            new OA\Property('who', type: 'string'),
            new OA\Property('network', type: 'string'),
            new OA\Property('device', type: 'string'),
            new OA\Property('detail', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'OwnSession',
        required: ['id', 'isThis', 'network', 'device', 'last'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('isThis', description: 'the one that asks', type: 'boolean'),
            new OA\Property('network', type: 'string'),
            new OA\Property('device', type: 'string'),
            new OA\Property('last', type: 'string', format: 'date-time'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'OwnToken',
        required: ['id', 'name', 'rights', 'made', 'expires', 'used'],
        properties: [
            new OA\Property('id', type: 'integer'),
            new OA\Property('name', type: 'string'),
            new OA\Property('rights', description: 'null for all', type: 'array', items: new OA\Items(type: 'string'), nullable: true),
            new OA\Property('made', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('expires', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('used', description: 'the last time', type: 'string', format: 'date-time', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'OwnAccount',
        required: ['name', 'email', 'emailWanted', 'secondStep', 'sessions', 'tokens', 'log'],
        properties: [
            new OA\Property('name', type: 'string'),
            new OA\Property('email', type: 'string'),
            new OA\Property('emailWanted', description: 'asked for and not yet confirmed', type: 'string', nullable: true),
            new OA\Property(
                'secondStep',
                required: ['since', 'isNeeded', 'codesLeft'],
                type: 'object',
                properties: [
                    new OA\Property('since', type: 'string', format: 'date-time', nullable: true),
                    new OA\Property('isNeeded', description: 'by a role', type: 'boolean'),
                    new OA\Property('codesLeft', type: 'integer'),
                ],
            ),
            new OA\Property('sessions', type: 'array', items: new OA\Items(ref: '#/components/schemas/OwnSession')),
            new OA\Property('tokens', type: 'array', items: new OA\Items(ref: '#/components/schemas/OwnToken')),
            new OA\Property('log', type: 'array', items: new OA\Items(ref: '#/components/schemas/LogLine')),
        ],
    ),
]
#[OA\Schema(schema: 'MadeToken', required: ['token'], properties: [new OA\Property('token', type: 'string')])]
#[
    OA\Schema(
        schema: 'SecondStep',
        required: ['secret', 'uri'],
        properties: [new OA\Property('secret', description: 'base 32', type: 'string'), new OA\Property('uri', type: 'string')],
    ),
]
#[OA\Schema(schema: 'RecoveryCodes', required: ['codes'], properties: [new OA\Property('codes', type: 'array', items: new OA\Items(type: 'string'))])]
#[
    OA\Schema(
        schema: 'SecurityLog',
        required: ['lines', 'more'],
        properties: [
            new OA\Property('lines', type: 'array', items: new OA\Items(ref: '#/components/schemas/LogLine')),
            new OA\Property('more', description: 'there are older ones', type: 'boolean'),
        ],
    ),
]
final class AccountShapes
{
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Visitors\Others;
use OpenApi\Attributes as OA;

/** Which visitors see a page. */
#[
    OA\Schema(
        schema: 'SaidAccess',
        required: ['to', 'signedIn', 'roles', 'hasPassword', 'networks', 'all', 'others', 'from', 'until', 'words'],
        properties: [
            new OA\Property('to', type: 'string', enum: ['everyone', 'some', 'nobody']),
            new OA\Property('signedIn', type: 'boolean'),
            new OA\Property('roles', description: 'of visitors', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('hasPassword', type: 'boolean'),
            new OA\Property('networks', description: 'CIDR', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('all', description: 'every way has to fit, rather than one', type: 'boolean'),
            new OA\Property('others', description: 'what those get who are not let in', type: 'string', enum: Others::class),
            new OA\Property('from', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('until', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('words', description: 'whom it lets in, in words', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PageAccess',
        required: ['own', 'holds', 'by'],
        properties: [
            new OA\Property(
                'own',
                description: 'what is said for the page itself; null for nothing',
                ref: '#/components/schemas/SaidAccess',
                nullable: true,
            ),
            new OA\Property('holds', description: 'what decides now; null for everyone', ref: '#/components/schemas/SaidAccess', nullable: true),
            new OA\Property(
                'by',
                description: 'the page above that says so; null for the page itself',
                required: ['id', 'name'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
            ),
        ],
    ),
]
final class VisitorShapes
{
}

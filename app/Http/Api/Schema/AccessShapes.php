<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Access\Right;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Right', type: 'string', enum: Right::class)]
#[
    OA\Schema(
        schema: 'RightCell',
        required: ['says', 'may', 'why'],
        properties: [
            new OA\Property(
                'says',
                description: 'what is said right here; null for nothing',
                type: 'string',
                enum: ['allow', 'deny'],
                nullable: true,
            ),
            new OA\Property('may', description: 'what follows from all that is said', type: 'boolean'),
            new OA\Property('why', description: 'what decides it, in a sentence', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RightsRow',
        required: ['who', 'name', 'isOwner', 'has', 'roles', 'needsSecondStep', 'cells', 'in'],
        properties: [
            new OA\Property('who', description: 'role: and a key, or person: and an identity', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property(
                'in',
                description: 'names of branches in which something is said of it',
                type: 'array',
                items: new OA\Items(type: 'string'),
            ),
            new OA\Property('isOwner', type: 'boolean'),
            new OA\Property('has', description: 'of a role, how many have it', type: 'integer'),
            new OA\Property('needsSecondStep', description: 'of a role', type: 'boolean'),
            new OA\Property('roles', description: 'of a person, names of their roles', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(
                'cells',
                description: 'by right',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/RightCell'),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RightsGrid',
        required: ['rights', 'rows', 'branches'],
        properties: [
            new OA\Property(
                'rights',
                type: 'array',
                items: new OA\Items(
                    required: ['right', 'label', 'isOfSite'],
                    properties: [
                        new OA\Property('right', ref: '#/components/schemas/Right'),
                        new OA\Property('label', type: 'string'),
                        new OA\Property('isOfSite', description: 'held for a whole site only', type: 'boolean'),
                    ],
                    type: 'object',
                ),
            ),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/RightsRow')),
            new OA\Property(
                'branches',
                description: 'of which something is said',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'name', 'address', 'lines'],
                    properties: [
                        new OA\Property('id', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('address', type: 'string'),
                        new OA\Property('lines', type: 'integer'),
                    ],
                    type: 'object',
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Why',
        required: ['isYes', 'words', 'who', 'branch'],
        properties: [
            new OA\Property('isYes', type: 'boolean'),
            new OA\Property('words', type: 'string'),
            new OA\Property('who', description: 'of whom the deciding line speaks', type: 'string', nullable: true),
            new OA\Property('branch', description: 'where it does; null for the whole site', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Invited',
        required: ['id', 'name', 'link'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('link', description: 'to hand over where no mail is sent', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'AccountLink',
        required: ['purpose', 'name', 'email'],
        properties: [
            new OA\Property('purpose', type: 'string', enum: ['invitation', 'password', 'mail']),
            new OA\Property('name', type: 'string'),
            new OA\Property('email', type: 'string'),
        ],
    ),
]
final class AccessShapes
{
}

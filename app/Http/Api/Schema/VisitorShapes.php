<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Visitors\Others;
use OpenApi\Attributes as OA;

/** Which visitors see a page. */
#[
    OA\Schema(
        schema: 'SaidAccess',
        required: ['to', 'signedIn', 'roles', 'hasPassword', 'networks', 'all', 'others', 'from', 'until', 'https', 'words'],
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
            new OA\Property('https', description: 'it answers by https alone, whatever the site does', type: 'boolean'),
            new OA\Property('words', description: 'whom it lets in, in words', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PageAccess',
        required: ['own', 'holds', 'by', 'roles'],
        properties: [
            new OA\Property(
                'roles',
                description: 'that visitors of the site have, or pages ask for',
                type: 'array',
                items: new OA\Items(type: 'string'),
            ),
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
#[
    OA\Schema(
        schema: 'SignUp',
        required: ['open', 'roles', 'byDomain'],
        properties: [
            new OA\Property(
                'open',
                description: 'who makes an account: nobody, everyone, or with approval',
                type: 'string',
                enum: ['nobody', 'everyone', 'approval'],
            ),
            new OA\Property('roles', description: 'of everybody who signs up', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(
                'byDomain',
                description: 'more roles, by the domain of the mail address',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Visitor',
        required: ['id', 'name', 'email', 'roles', 'state', 'last'],
        properties: [
            new OA\Property('id', type: 'integer'),
            new OA\Property('name', type: 'string'),
            new OA\Property('email', type: 'string'),
            new OA\Property('roles', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('state', type: 'string', enum: ['in', 'invited', 'asks', 'disabled']),
            new OA\Property('last', description: 'signed in', type: 'string', format: 'date-time', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Visitors',
        required: ['total', 'offset', 'rows', 'asking', 'signUp'],
        properties: [
            new OA\Property('total', type: 'integer'),
            new OA\Property('offset', type: 'integer'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/Visitor')),
            new OA\Property('asking', description: 'how many ask to be let in', type: 'integer'),
            new OA\Property('signUp', ref: '#/components/schemas/SignUp'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MadeVisitor',
        required: ['visitor', 'link'],
        properties: [
            new OA\Property('visitor', ref: '#/components/schemas/Visitor'),
            new OA\Property('link', description: 'to hand over where no mail is sent', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'VisitorTable',
        required: ['rows'],
        properties: [
            new OA\Property(
                'rows',
                type: 'array',
                items: new OA\Items(
                    required: ['line', 'mail', 'name', 'roles', 'does', 'fault'],
                    properties: [
                        new OA\Property('line', type: 'integer'),
                        new OA\Property('mail', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('roles', type: 'array', items: new OA\Items(type: 'string')),
                        new OA\Property('does', type: 'string', enum: ['makes', 'changes', 'stays', 'nothing']),
                        new OA\Property('fault', type: 'string', nullable: true),
                    ],
                    type: 'object',
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'VisitorsBroughtIn',
        required: ['made', 'changed', 'links'],
        properties: [
            new OA\Property('made', type: 'integer'),
            new OA\Property('changed', type: 'integer'),
            new OA\Property('links', description: 'to hand over where no mail is sent', type: 'array', items: new OA\Items(type: 'string')),
        ],
    ),
]
final class VisitorShapes
{
}

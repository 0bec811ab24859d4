<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Menu\Closed;
use OpenApi\Attributes as OA;

/** Menus, picks and their entries, as they are written and read. */
#[
    OA\Schema(
        schema: 'MenuPlace',
        required: ['key', 'name', 'kind', 'levels', 'most', 'widest'],
        properties: [
            new OA\Property('key', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('kind', type: 'string', enum: ['menu', 'picks']),
            new OA\Property('levels', type: 'integer'),
            new OA\Property('most', description: 'entries on the first level before it gets crowded', type: 'integer'),
            new OA\Property('widest', description: 'px that a label has', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MenuItem',
        required: ['id', 'name', 'kind', 'place', 'entries'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('kind', type: 'string', enum: ['menu', 'picks']),
            new OA\Property('place', type: 'string', nullable: true),
            new OA\Property('entries', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'StartPage',
        required: ['ulid', 'name'],
        properties: [new OA\Property('ulid', type: 'string'), new OA\Property('name', type: 'string')],
    ),
]
#[
    OA\Schema(
        schema: 'MenuList',
        required: ['startPages', 'places', 'menus'],
        properties: [
            new OA\Property(
                'startPages',
                description: 'signedIn is null where it is the same as for visitors',
                required: ['visitors', 'signedIn'],
                type: 'object',
                properties: [
                    new OA\Property('visitors', ref: '#/components/schemas/StartPage', nullable: true),
                    new OA\Property('signedIn', ref: '#/components/schemas/StartPage', nullable: true),
                ],
            ),
            new OA\Property('places', type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuPlace')),
            new OA\Property('menus', type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuItem')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MenuEntry',
        description: 'An entry. What it leads to is in the field of its kind: page, address, url or file; a branch has page (null for the top of the tree), depth, order, out and in.',
        required: ['id', 'kind'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('kind', type: 'string', enum: ['page', 'address', 'url', 'file', 'heading', 'branch', 'separator']),
            new OA\Property('page', type: 'string', nullable: true),
            new OA\Property('address', type: 'string'),
            new OA\Property('url', type: 'string'),
            new OA\Property('file', type: 'string'),
            new OA\Property('label', description: 'without one the name of the page', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('newWindow', type: 'boolean'),
            new OA\Property('audience', description: 'everyone, visitors, signed-in, or roles:name,name', type: 'string'),
            new OA\Property('from', type: 'string'),
            new OA\Property('until', type: 'string'),
            new OA\Property('depth', type: 'integer'),
            new OA\Property('order', type: 'string', enum: ['tree', 'a-z']),
            new OA\Property('out', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('in', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(
                'closed',
                description: 'what those get who may not see the page: without it nothing',
                type: 'string',
                enum: Closed::class,
            ),
            new OA\Property('text', type: 'string'),
            new OA\Property('picture', type: 'string'),
            new OA\Property('fileName', description: 'read only', type: 'string', nullable: true),
            new OA\Property('pageName', description: 'read only', type: 'string', nullable: true),
            new OA\Property(
                'exceptions',
                description: 'read only',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'name'],
                    properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
                    type: 'object',
                ),
            ),
            new OA\Property('entries', type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuEntry')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MenuArrangement',
        required: ['entries'],
        properties: [
            new OA\Property('entries', type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuEntry')),
            new OA\Property('who', type: 'string'),
            new OA\Property('at', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ShownEntry',
        description: 'An entry as somebody sees it, or the reason why they do not.',
        required: ['entry', 'kind', 'page', 'label', 'href', 'hidden', 'when', 'text', 'picture', 'isLocked', 'under'],
        properties: [
            new OA\Property('entry', type: 'string'),
            new OA\Property('kind', type: 'string', enum: ['page', 'address', 'url', 'file', 'heading', 'branch', 'separator']),
            new OA\Property('page', type: 'string', nullable: true),
            new OA\Property('label', type: 'string'),
            new OA\Property('href', type: 'string', nullable: true),
            new OA\Property(
                'hidden',
                type: 'string',
                enum: [
                    'not-yet',
                    'over',
                    'audience',
                    'closed',
                    'draft',
                    'review',
                    'offline',
                    'unlisted',
                    'bin',
                    'gone',
                    'blank',
                    'above',
                    'left-out',
                ],
                nullable: true,
            ),
            new OA\Property('when', type: 'string', nullable: true),
            new OA\Property('text', type: 'string'),
            new OA\Property('picture', description: 'address of the picture on its card', type: 'string', nullable: true),
            new OA\Property('isLocked', description: 'they may not see the page', type: 'boolean'),
            new OA\Property('under', type: 'array', items: new OA\Items(ref: '#/components/schemas/ShownEntry')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MenuFinding',
        required: ['kind', 'entry', 'label', 'hidden', 'page', 'count', 'most'],
        properties: [
            new OA\Property(
                'kind',
                type: 'string',
                enum: ['leads-nowhere', 'page-hidden', 'noindex', 'redirect', 'crowded', 'too-deep', 'label-doubled', 'target-doubled', 'blank'],
            ),
            new OA\Property('entry', type: 'string', nullable: true),
            new OA\Property('label', type: 'string'),
            new OA\Property('hidden', type: 'string', nullable: true),
            new OA\Property('page', type: 'string', nullable: true),
            new OA\Property('count', type: 'integer', nullable: true),
            new OA\Property('most', type: 'integer', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MenuOfPage',
        required: ['menu', 'name', 'kind', 'place', 'entries', 'branch'],
        properties: [
            new OA\Property('menu', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('kind', type: 'string', enum: ['menu', 'picks']),
            new OA\Property('place', type: 'string', nullable: true),
            new OA\Property('entries', description: 'made by hand that lead to the page', type: 'integer'),
            new OA\Property(
                'branch',
                description: 'whether a branch of the menu reaches the page',
                type: 'string',
                enum: ['shows', 'leaves-out', 'none'],
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Unreached',
        required: ['total', 'pages'],
        properties: [
            new OA\Property('total', type: 'integer'),
            new OA\Property(
                'pages',
                description: 'the first hundred',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'name', 'address', 'clicks'],
                    properties: [
                        new OA\Property('id', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('address', type: 'string'),
                        new OA\Property('clicks', type: 'integer', nullable: true),
                    ],
                    type: 'object',
                ),
            ),
        ],
    ),
]
final class MenuShapes
{
}

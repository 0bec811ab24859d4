<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** Changes to the structure and what follows from them, as they are written and read. */
#[
    OA\Schema(
        schema: 'RippleNote',
        description: 'What is allowed and should be no surprise; `other` says what or who else, as the kind has it.',
        required: ['kind', 'page', 'name', 'other'],
        properties: [
            new OA\Property(
                'kind',
                type: 'string',
                enum: [
                    'live-under-hidden',
                    'no-menu-reaches',
                    'leaves-menu',
                    'in-no-menu',
                    'menu-reaches-again',
                    'start-page-hidden',
                    'start-shows-others',
                    'fields-kept',
                    'address-taken-over',
                    'address-gone',
                    'retires',
                    'section-empty',
                    'pointer-broken',
                    'stays',
                    'stays-made',
                    'menu-stays',
                    'redirect-stays',
                    'search-stays',
                    'redirect-hides',
                    'redirect-chains',
                    'redirects-lead-here',
                    'redirects-break',
                    'redirect-circles',
                    'unsaved-content-goes',
                    'branch-goes',
                    'access-stays',
                    'address-rules-stay',
                    'is-gone',
                ],
            ),
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('other', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RippleRow',
        description: 'Whom it is about, from which address to which, and a word on it.',
        required: ['page', 'name', 'from', 'to', 'note'],
        properties: [
            new OA\Property('page', type: 'string', nullable: true),
            new OA\Property('name', type: 'string'),
            new OA\Property('from', type: 'string', nullable: true),
            new OA\Property('to', type: 'string', nullable: true),
            new OA\Property('note', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RippleRows',
        required: ['total', 'offset', 'rows'],
        properties: [
            new OA\Property('total', type: 'integer'),
            new OA\Property('offset', type: 'integer'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/RippleRow')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'DrawnLine',
        description: 'A line of the drawing: a page on level 0 (a parent; the top of the tree without a page) or 1, or how many are left out; of a menu its name on level 0, and its entries on 1 and 2.',
        required: ['page', 'name', 'level', 'mark', 'leftOut'],
        properties: [
            new OA\Property('page', type: 'string', nullable: true),
            new OA\Property('name', type: 'string'),
            new OA\Property('level', type: 'integer'),
            new OA\Property('mark', type: 'string', enum: ['comes', 'goes', 'moves', 'changes'], nullable: true),
            new OA\Property('leftOut', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RippleAccount',
        description: 'Counts, the first fifty rows of each group, notes, and the branch before and after.',
        required: ['counts', 'lists', 'notes', 'drawing'],
        properties: [
            new OA\Property(
                'counts',
                required: [
                    'addresses',
                    'redirectsWritten',
                    'redirectsDropped',
                    'gone',
                    'live',
                    'offline',
                    'bin',
                    'menu',
                    'redirects',
                    'rawLinks',
                    'copies',
                    'titles',
                    'indexing',
                    'canonicals',
                    'visitors',
                    'access',
                    'linksFollow',
                    'linksBreak',
                    'linksClosed',
                    'sitemap',
                ],
                type: 'object',
                properties: [
                    new OA\Property('addresses', type: 'integer'),
                    new OA\Property('redirectsWritten', type: 'integer'),
                    new OA\Property('redirectsDropped', type: 'integer'),
                    new OA\Property('gone', type: 'integer'),
                    new OA\Property('live', type: 'integer'),
                    new OA\Property('offline', type: 'integer'),
                    new OA\Property('bin', type: 'integer'),
                    new OA\Property('menu', type: 'integer'),
                    new OA\Property('redirects', description: 'redirect rules made, changed or removed', type: 'integer'),
                    new OA\Property(
                        'rawLinks',
                        description: 'links written as addresses that go through a redirect, lead elsewhere or break',
                        type: 'integer',
                    ),
                    new OA\Property('copies', type: 'integer'),
                    new OA\Property('titles', description: 'title tags that change', type: 'integer'),
                    new OA\Property('indexing', description: 'pages that search engines may list from now on, or no longer', type: 'integer'),
                    new OA\Property('canonicals', description: 'canonical addresses that change', type: 'integer'),
                    new OA\Property('visitors', description: 'pages that others see from now on', type: 'integer'),
                    new OA\Property('access', description: 'rights that somebody gets or loses', type: 'integer'),
                    new OA\Property('linksFollow', type: 'integer'),
                    new OA\Property('linksBreak', type: 'integer'),
                    new OA\Property('linksClosed', description: 'links to pages that not everyone sees any more', type: 'integer'),
                    new OA\Property('sitemap', type: 'integer'),
                ],
            ),
            new OA\Property(
                'lists',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(ref: '#/components/schemas/RippleRow')),
            ),
            new OA\Property('notes', type: 'array', items: new OA\Items(ref: '#/components/schemas/RippleNote')),
            new OA\Property(
                'drawing',
                required: ['before', 'after'],
                type: 'object',
                properties: [
                    new OA\Property('before', type: 'array', items: new OA\Items(ref: '#/components/schemas/DrawnLine')),
                    new OA\Property('after', type: 'array', items: new OA\Items(ref: '#/components/schemas/DrawnLine')),
                ],
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Question',
        description: 'Something the manager must choose; answered by a decision of its kind.',
        required: ['kind', 'page', 'name', 'count', 'answers', 'default', 'heir', 'open', 'answer', 'to'],
        properties: [
            new OA\Property('kind', type: 'string', enum: ['retired', 'children-of', 'drafts-below', 'raw-links', 'menu-entries', 'in-between']),
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('count', description: 'addresses that visitors know, pages below, drafts, or links', type: 'integer'),
            new OA\Property(
                'answers',
                type: 'array',
                items: new OA\Items(
                    type: 'string',
                    enum: ['parent', 'gone', 'page', 'along', 'up', 'leave', 'live', 'rewrite', 'remove', 'redirect', 'free'],
                ),
            ),
            new OA\Property(
                'default',
                type: 'string',
                enum: ['parent', 'gone', 'page', 'along', 'up', 'leave', 'live', 'rewrite', 'remove', 'redirect', 'free'],
            ),
            new OA\Property('heir', ref: '#/components/schemas/PageCrumb', nullable: true),
            new OA\Property('open', type: 'boolean'),
            new OA\Property('answer', type: 'string', nullable: true),
            new OA\Property('to', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'WayOut',
        description: 'Add its changes and decisions to the batch to take it. The first of a conflict is its default.',
        required: ['kind', 'slug', 'changes', 'decisions'],
        properties: [
            new OA\Property(
                'kind',
                type: 'string',
                enum: ['free-slug', 'swap', 'replace-redirect', 'take-over', 'delete-for-good', 'answer-again', 'stand-in-front', 'choose-another'],
            ),
            new OA\Property('slug', type: 'string', nullable: true),
            new OA\Property('changes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Change')),
            new OA\Property('decisions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Decision')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Holder',
        required: ['kind', 'page', 'name', 'state', 'since', 'byChange'],
        properties: [
            new OA\Property('kind', type: 'string', enum: ['page', 'also', 'redirect', 'rule', 'gone', 'bin', 'reserved']),
            new OA\Property('page', type: 'string', nullable: true),
            new OA\Property('name', type: 'string', nullable: true),
            new OA\Property('state', type: 'string', nullable: true),
            new OA\Property('since', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('byChange', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Decision',
        description: 'give-way lets what holds `address` go; the others answer the question of their kind about `page`.',
        required: ['kind'],
        properties: [
            new OA\Property(
                'kind',
                type: 'string',
                enum: ['give-way', 'retired', 'children-of', 'drafts-below', 'raw-links', 'menu-entries', 'in-between'],
            ),
            new OA\Property('address', type: 'string'),
            new OA\Property('page', type: 'string'),
            new OA\Property(
                'answer',
                type: 'string',
                enum: ['parent', 'gone', 'page', 'along', 'up', 'leave', 'live', 'rewrite', 'remove', 'redirect', 'free'],
            ),
            new OA\Property('to', description: 'the page that inherits, with the answer page', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Batch',
        required: ['changes'],
        properties: [
            new OA\Property('changes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Change')),
            new OA\Property('decisions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Decision')),
            new OA\Property('defaults', description: 'questions that are not decided take their default', type: 'boolean'),
            new OA\Property('digest', description: 'of the ripple that was shown; refused with the new ripple when it has changed', type: 'string'),
            new OA\Property('note', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Undo',
        description: 'Several entries, or everything since one.',
        required: [],
        properties: [
            new OA\Property('entries', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('since', type: 'string'),
            new OA\Property(
                'pages',
                description: 'of one entry that replaced a text: pages of which alone it is undone',
                type: 'array',
                items: new OA\Items(type: 'string'),
                nullable: true,
            ),
            new OA\Property('digest', type: 'string'),
            new OA\Property('note', type: 'string'),
            new OA\Property(
                'decisions',
                description: 'what is not decided takes its default',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/Decision'),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Thinning',
        required: ['entries', 'pages'],
        properties: [
            new OA\Property('entries', description: 'changes that lose their details', type: 'integer'),
            new OA\Property('pages', description: 'pages deleted for good that go for good', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'BinRow',
        description: 'A page that was put in the bin.',
        required: ['id', 'name', 'address', 'was', 'binned', 'by', 'along', 'parent', 'parentName', 'parentThere', 'isProtected'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('was', ref: '#/components/schemas/State'),
            new OA\Property('binned', type: 'string', format: 'date-time'),
            new OA\Property('by', type: 'string', nullable: true),
            new OA\Property('along', description: 'pages that went along', type: 'integer'),
            new OA\Property('parent', type: 'string', nullable: true),
            new OA\Property('parentName', type: 'string', nullable: true),
            new OA\Property('parentThere', description: 'its old place is there', type: 'boolean'),
            new OA\Property('isProtected', type: 'boolean'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'StructureNode',
        description: 'A page in the picture of the structure.',
        required: ['id', 'parent', 'name', 'state', 'kind', 'changed', 'size', 'level'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('parent', type: 'string', nullable: true),
            new OA\Property('name', type: 'string'),
            new OA\Property('state', ref: '#/components/schemas/State'),
            new OA\Property('kind', ref: '#/components/schemas/PageKind'),
            new OA\Property('changed', type: 'string', format: 'date-time'),
            new OA\Property('size', description: 'pages in its branch, itself included', type: 'integer'),
            new OA\Property('level', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Version',
        required: ['number', 'by', 'at', 'note', 'minor', 'live'],
        properties: [
            new OA\Property('number', type: 'integer'),
            new OA\Property('by', type: 'string', nullable: true),
            new OA\Property('at', type: 'string', format: 'date-time'),
            new OA\Property('note', type: 'string'),
            new OA\Property('minor', type: 'boolean'),
            new OA\Property('live', description: 'the one visitors see', type: 'boolean'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ComparedRow',
        description: 'A block of the one version beside that of the other; null where it has none.',
        required: ['kind', 'left', 'right'],
        properties: [
            new OA\Property('kind', type: 'string', enum: ['same', 'changed', 'left-only', 'right-only']),
            new OA\Property('left', ref: '#/components/schemas/ComparedBlock', nullable: true),
            new OA\Property('right', ref: '#/components/schemas/ComparedBlock', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ComparedBlock',
        required: ['type', 'pieces'],
        properties: [
            new OA\Property('type', type: 'string'),
            new OA\Property(
                'pieces',
                type: 'array',
                items: new OA\Items(
                    required: ['text', 'marked'],
                    type: 'object',
                    properties: [new OA\Property('text', type: 'string'), new OA\Property('marked', type: 'boolean')],
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Person',
        required: ['id', 'name', 'roles'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property(
                'roles',
                type: 'array',
                items: new OA\Items(
                    required: ['key', 'name'],
                    properties: [new OA\Property('key', type: 'string'), new OA\Property('name', type: 'string')],
                    type: 'object',
                ),
            ),
            new OA\Property('email', description: 'for whoever looks after people', type: 'string'),
            new OA\Property(
                'hasCome',
                description: 'false for somebody who was invited and has set no password yet; for whoever looks after people',
                type: 'boolean',
            ),
            new OA\Property('isDisabled', description: 'let in no longer; for whoever looks after people', type: 'boolean'),
            new OA\Property('hasSecondStep', description: 'for whoever looks after people', type: 'boolean'),
        ],
    ),
]
#[OA\Schema(schema: 'PageKind', type: 'string', enum: ['page', 'section', 'pointer', 'download'])]
final class StructureShapes
{
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** Shapes of answers that are written as plain arrays or rows, described in one place. */
#[
    OA\Schema(
        schema: 'Hit',
        required: ['id', 'name', 'heading', 'address', 'state', 'exact', 'by', 'within'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('heading', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('state', ref: '#/components/schemas/State'),
            new OA\Property('exact', type: 'boolean'),
            new OA\Property(
                'by',
                description: 'what a word had to be found by: names, headings and addresses, the content, or words spelt alike',
                type: 'string',
                enum: ['name', 'content', 'spelling'],
            ),
            new OA\Property('within', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'SlugAnswer',
        description: 'The slug and address a page would get, and who holds that address if anybody does.',
        required: ['slug', 'address', 'inherited', 'conflict', 'error', 'suggestion'],
        properties: [
            new OA\Property('slug', type: 'string', nullable: true),
            new OA\Property('address', type: 'string', nullable: true),
            new OA\Property('inherited', type: 'string', nullable: true),
            new OA\Property('conflict', ref: '#/components/schemas/Conflict', nullable: true),
            new OA\Property('error', type: 'string', nullable: true),
            new OA\Property('suggestion', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Explanation',
        required: ['asked', 'normal', 'hops', 'status', 'location', 'page', 'why', 'sends', 'rule', 'pause', 'loop'],
        properties: [
            new OA\Property('asked', type: 'string'),
            new OA\Property('normal', type: 'string'),
            new OA\Property(
                'hops',
                type: 'array',
                items: new OA\Items(
                    required: ['from', 'to', 'status', 'why', 'rule'],
                    type: 'object',
                    properties: [
                        new OA\Property('from', type: 'string'),
                        new OA\Property('to', type: 'string'),
                        new OA\Property('status', type: 'integer'),
                        new OA\Property('why', type: 'string'),
                        new OA\Property('rule', description: 'the redirect that sends on', type: 'string', nullable: true),
                    ],
                ),
            ),
            new OA\Property('status', description: 'null where the answer is given elsewhere', type: 'integer', nullable: true),
            new OA\Property('location', type: 'string', nullable: true),
            new OA\Property(
                'page',
                required: ['id', 'name'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
            ),
            new OA\Property('why', type: 'string'),
            new OA\Property(
                'sends',
                description: 'status with which visitors are sent on at once; null where they are not',
                type: 'integer',
                nullable: true,
            ),
            new OA\Property('rule', description: 'the redirect that gives the final answer', type: 'string', nullable: true),
            new OA\Property(
                'pause',
                required: ['seconds', 'onward'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('seconds', type: 'integer'), new OA\Property('onward', type: 'string', nullable: true)],
            ),
            new OA\Property('loop', type: 'boolean'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'File',
        required: [
            'id',
            'name',
            'address',
            'width',
            'height',
            'folder',
            'kind',
            'mime',
            'bytes',
            'alt',
            'caption',
            'focus',
            'number',
            'uses',
            'small',
            'changed',
            'binned',
        ],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('width', type: 'integer', nullable: true),
            new OA\Property('height', type: 'integer', nullable: true),
            new OA\Property('folder', description: 'divided by slashes; empty for none', type: 'string'),
            new OA\Property('kind', type: 'string', enum: ['picture', 'film', 'document']),
            new OA\Property('mime', type: 'string'),
            new OA\Property('bytes', type: 'integer'),
            new OA\Property('alt', description: 'alternative text where nothing nearer says one', type: 'string'),
            new OA\Property('caption', description: 'likewise', type: 'string'),
            new OA\Property('focus', ref: '#/components/schemas/FocusPoint', nullable: true),
            new OA\Property('number', description: 'counts what was put in its place', type: 'integer'),
            new OA\Property(
                'uses',
                description: 'pages, menus and redirects that use it; counted where all files are listed, or one',
                type: 'integer',
            ),
            new OA\Property('small', description: 'address of a small picture of it', type: 'string', nullable: true),
            new OA\Property('changed', type: 'string', format: 'date-time'),
            new OA\Property('binned', description: 'since when it lies in the bin', type: 'string', format: 'date-time', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'FocusPoint',
        description: 'The point of a picture that stays in sight where it is cropped, in per cent from the left and the top.',
        required: ['x', 'y'],
        properties: [
            new OA\Property('x', type: 'integer', minimum: 0, maximum: 100),
            new OA\Property('y', type: 'integer', minimum: 0, maximum: 100),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'FileDetail',
        description: 'A file with where it is used and what stood there before.',
        allOf: [
            new OA\Schema(ref: '#/components/schemas/File'),
            new OA\Schema(
                required: ['usedIn', 'versions'],
                properties: [
                    new OA\Property(
                        'usedIn',
                        type: 'array',
                        items: new OA\Items(
                            required: ['way', 'by', 'name', 'address', 'live'],
                            properties: [
                                new OA\Property(
                                    'way',
                                    type: 'string',
                                    enum: ['content', 'fields', 'card', 'page', 'menu', 'redirect', 'starting-point', 'site'],
                                ),
                                new OA\Property('by', description: 'identity of the page, menu or redirect', type: 'string'),
                                new OA\Property('name', type: 'string'),
                                new OA\Property('address', type: 'string', nullable: true),
                                new OA\Property('live', description: 'visitors get it there', type: 'boolean'),
                            ],
                            type: 'object',
                        ),
                    ),
                    new OA\Property(
                        'versions',
                        type: 'array',
                        items: new OA\Items(
                            required: ['number', 'bytes', 'width', 'height', 'by', 'kept'],
                            properties: [
                                new OA\Property('number', type: 'integer'),
                                new OA\Property('bytes', type: 'integer'),
                                new OA\Property('width', type: 'integer', nullable: true),
                                new OA\Property('height', type: 'integer', nullable: true),
                                new OA\Property('by', type: 'string', nullable: true),
                                new OA\Property('kept', description: 'when something else was put there', type: 'string', format: 'date-time'),
                            ],
                            type: 'object',
                        ),
                    ),
                ],
                type: 'object',
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'DraftContent',
        required: ['document', 'texts', 'basedOn', 'typed'],
        properties: [
            new OA\Property('document', ref: '#/components/schemas/Document'),
            new OA\Property('texts', ref: '#/components/schemas/TypedTexts', nullable: true),
            new OA\Property('basedOn', type: 'integer'),
            new OA\Property('typed', type: 'string', format: 'date-time'),
        ],
    ),
    OA\Schema(
        schema: 'TypedTexts',
        required: ['heading', 'summary'],
        properties: [new OA\Property('heading', type: 'string'), new OA\Property('summary', type: 'string')],
    ),
]
#[
    OA\Schema(
        schema: 'Document',
        description: 'Typed blocks, version 1; see docs/develop/content-format.md.',
        type: 'object',
        additionalProperties: true,
    ),
]
#[
    OA\Schema(
        schema: 'OtherWriter',
        required: ['name', 'typed'],
        properties: [new OA\Property('name', type: 'string'), new OA\Property('typed', type: 'string', format: 'date-time')],
    ),
]
#[
    OA\Schema(
        schema: 'Present',
        required: ['others', 'version', 'savedBy'],
        properties: [
            new OA\Property('others', description: 'names of those who have the page open too', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('version', description: 'of the content, as saved last', type: 'integer'),
            new OA\Property('savedBy', type: 'string', nullable: true),
        ],
    ),
    OA\Schema(
        schema: 'ReviewedContent',
        required: ['words', 'notes', 'refused'],
        properties: [
            new OA\Property('words', type: 'integer'),
            new OA\Property('notes', type: 'array', items: new OA\Items(ref: '#/components/schemas/ContentNote')),
            new OA\Property('refused', description: 'why it could not be saved as it is', type: 'string', nullable: true),
        ],
    ),
    OA\Schema(
        schema: 'ContentNote',
        required: ['code', 'path', 'text'],
        properties: [
            new OA\Property('code', type: 'string'),
            new OA\Property(
                'path',
                description: 'to the block: its place among the blocks, then among those inside',
                type: 'array',
                items: new OA\Items(type: 'integer'),
            ),
            new OA\Property('text', type: 'string'),
        ],
    ),
    OA\Schema(
        schema: 'ShownBlock',
        required: ['html', 'refused'],
        properties: [new OA\Property('html', type: 'string'), new OA\Property('refused', type: 'string', nullable: true)],
    ),
    OA\Schema(schema: 'ContentText', required: ['text'], properties: [new OA\Property('text', type: 'string')]),
    OA\Schema(
        schema: 'ReadContent',
        required: ['document', 'lost'],
        properties: [
            new OA\Property('document', ref: '#/components/schemas/Document'),
            new OA\Property('lost', description: 'what the format cannot hold, each in a line', type: 'array', items: new OA\Items(type: 'string')),
        ],
    ),
    OA\Schema(
        schema: 'PagePlace',
        required: ['name', 'text', 'level'],
        properties: [
            new OA\Property('name', description: 'stands behind # in a link', type: 'string'),
            new OA\Property('text', type: 'string'),
            new OA\Property('level', type: 'integer', nullable: true),
        ],
    ),
]
final class Shapes
{
}

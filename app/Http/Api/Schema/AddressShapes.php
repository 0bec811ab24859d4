<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** Addresses, redirects and how requests are answered, as they are read. */
#[
    OA\Schema(
        schema: 'Redirect',
        description: 'A redirect rule. `source` is an address, a branch, or a URLPattern pathname; behind a question mark the query it looks at.',
        required: [
            'id',
            'scope',
            'source',
            'answer',
            'leadsTo',
            'query',
            'carriesRest',
            'from',
            'until',
            'isOn',
            'inFront',
            'position',
            'note',
            'pause',
            'origin',
        ],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('scope', type: 'string', enum: ['one', 'branch', 'pattern']),
            new OA\Property('source', type: 'string'),
            new OA\Property('answer', type: 'string', enum: ['301', '302', '307', '308', '410', 'pause']),
            new OA\Property(
                'leadsTo',
                description: 'one of page, address, url, file; null for one that answers 410',
                type: 'object',
                nullable: true,
                additionalProperties: new OA\AdditionalProperties(type: 'string'),
            ),
            new OA\Property('query', type: 'string', enum: ['carry', 'drop', 'match']),
            new OA\Property('carriesRest', type: 'boolean'),
            new OA\Property('from', type: 'string', nullable: true),
            new OA\Property('until', type: 'string', nullable: true),
            new OA\Property('isOn', type: 'boolean'),
            new OA\Property('inFront', type: 'boolean'),
            new OA\Property('position', type: 'integer'),
            new OA\Property('note', type: 'string'),
            new OA\Property('origin', type: 'string'),
            new OA\Property(
                'pause',
                required: ['seconds', 'message'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('seconds', type: 'integer'), new OA\Property('message', ref: '#/components/schemas/Document')],
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'AddressRow',
        required: [
            'address',
            'kind',
            'page',
            'leadsTo',
            'targetName',
            'isLive',
            'waits',
            'redirect',
            'state',
            'since',
            'entry',
            'sentence',
            'hits',
            'likeliest',
            'ends',
        ],
        properties: [
            new OA\Property(
                'ends',
                description: 'of a redirect to an address: where visitors end up, however many steps it takes',
                required: ['address', 'name'],
                type: 'object',
                nullable: true,
                properties: [
                    new OA\Property('address', type: 'string'),
                    new OA\Property('name', description: 'of the page', type: 'string', nullable: true),
                ],
            ),
            new OA\Property(
                'likeliest',
                description: 'among misses alone: the page that was probably meant',
                required: ['id', 'name', 'confidence'],
                type: 'object',
                nullable: true,
                properties: [
                    new OA\Property('id', type: 'string'),
                    new OA\Property('name', type: 'string'),
                    new OA\Property('confidence', type: 'number'),
                ],
            ),
            new OA\Property('address', type: 'string'),
            new OA\Property(
                'kind',
                type: 'string',
                enum: ['page', 'also', 'former', 'one', 'branch', 'pattern', 'gone', 'bin', 'removed', 'reserved', 'missed'],
            ),
            new OA\Property(
                'page',
                required: ['id', 'name'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
            ),
            new OA\Property('leadsTo', description: 'address or URL it sends to', type: 'string', nullable: true),
            new OA\Property('targetName', type: 'string', nullable: true),
            new OA\Property('isLive', type: 'boolean', nullable: true),
            new OA\Property('waits', description: 'page in the bin that it is kept for', type: 'string', nullable: true),
            new OA\Property('redirect', ref: '#/components/schemas/Redirect', nullable: true),
            new OA\Property('state', type: 'string', enum: ['on', 'off', 'over', 'waiting'], nullable: true),
            new OA\Property('since', type: 'string', nullable: true),
            new OA\Property('entry', type: 'string', nullable: true),
            new OA\Property('sentence', type: 'string', nullable: true),
            new OA\Property('hits', description: 'by day, the oldest first; empty for none', type: 'array', items: new OA\Items(type: 'integer')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Addresses',
        required: ['total', 'counts', 'offset', 'rows', 'noise'],
        properties: [
            new OA\Property(
                'noise',
                description: 'of misses alone: what only scanners ask for, in four weeks; in no list',
                required: ['addresses', 'requests'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('addresses', type: 'integer'), new OA\Property('requests', type: 'integer')],
            ),
            new OA\Property('total', type: 'integer'),
            new OA\Property('counts', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'integer')),
            new OA\Property('offset', type: 'integer'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/AddressRow')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'NearPage',
        required: ['id', 'name', 'address', 'confidence', 'why'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('confidence', description: 'of the likeliest alone', type: 'number', nullable: true),
            new OA\Property('why', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MissedDetail',
        required: ['days', 'referrers'],
        properties: [
            new OA\Property('days', type: 'array', items: new OA\Items(ref: '#/components/schemas/HitDay')),
            new OA\Property('referrers', type: 'array', items: new OA\Items(ref: '#/components/schemas/Referrer')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'HitDay',
        required: ['day', 'hits', 'bots'],
        properties: [new OA\Property('day', type: 'string'), new OA\Property('hits', type: 'integer'), new OA\Property('bots', type: 'integer')],
    ),
]
#[
    OA\Schema(
        schema: 'Referrer',
        required: ['host', 'hits'],
        properties: [new OA\Property('host', type: 'string'), new OA\Property('hits', type: 'integer')],
    ),
]
#[
    OA\Schema(
        schema: 'RedirectFinding',
        required: ['kind', 'redirect', 'source', 'other', 'page', 'isSure', 'days', 'steps', 'mend'],
        properties: [
            new OA\Property(
                'kind',
                type: 'string',
                enum: ['loop', 'chain', 'never-fires', 'hides-page', 'dead-target', 'gone-target', 'not-https', 'expired', 'idle', 'doubled'],
            ),
            new OA\Property('redirect', type: 'string'),
            new OA\Property('source', type: 'string'),
            new OA\Property(
                'other',
                description: 'the redirect that covers it, comes next, or does the same',
                required: ['id', 'source'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('id', type: 'string'), new OA\Property('source', type: 'string')],
            ),
            new OA\Property(
                'page',
                required: ['id', 'name'],
                type: 'object',
                nullable: true,
                properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
            ),
            new OA\Property('isSure', description: 'false where only samples of a pattern were tried', type: 'boolean'),
            new OA\Property('days', type: 'integer'),
            new OA\Property('steps', type: 'integer'),
            new OA\Property('mend', ref: '#/components/schemas/Change', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ImportProgress',
        required: ['id', 'state', 'total', 'done', 'entries', 'problem'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('state', type: 'string', enum: ['waiting', 'running', 'done', 'stopped', 'failed']),
            new OA\Property('total', type: 'integer'),
            new OA\Property('done', type: 'integer'),
            new OA\Property('entries', description: 'of the history, one for each piece', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('problem', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RedirectImport',
        required: ['good', 'bad', 'rows', 'entries', 'progress'],
        properties: [
            new OA\Property('good', type: 'integer'),
            new OA\Property('bad', type: 'integer'),
            new OA\Property('entries', description: 'of the history, once made', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(
                'progress',
                description: 'of what is made in the background: more than five thousand rows',
                ref: '#/components/schemas/ImportProgress',
                nullable: true,
            ),
            new OA\Property(
                'rows',
                description: 'each with how it was read, or with the field and the reason why it cannot be made; at most 5,000 of either',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/ImportedRow'),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ImportedRow',
        required: ['line', 'address', 'leadsTo', 'scope', 'answer', 'field', 'reason', 'suggestion'],
        properties: [
            new OA\Property('line', type: 'integer'),
            new OA\Property('address', type: 'string'),
            new OA\Property(
                'leadsTo',
                description: 'as it is written; of one that can be made the identity of a page or file, an address or a URL',
                type: 'string',
            ),
            new OA\Property('scope', type: 'string', nullable: true),
            new OA\Property('answer', type: 'string', nullable: true),
            new OA\Property('field', type: 'string', nullable: true),
            new OA\Property('reason', type: 'string', nullable: true),
            new OA\Property('suggestion', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MatchPage',
        required: ['id', 'name', 'address'],
        properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string'), new OA\Property('address', type: 'string')],
    ),
]
#[
    OA\Schema(
        schema: 'MatchedAddress',
        required: ['old', 'address', 'title', 'requests', 'page', 'confidence', 'none', 'why', 'next', 'held'],
        properties: [
            new OA\Property('old', type: 'string'),
            new OA\Property('address', description: 'on this site; null for one that cannot be', type: 'string', nullable: true),
            new OA\Property('title', type: 'string'),
            new OA\Property('requests', description: 'of an access log', type: 'integer'),
            new OA\Property('page', ref: '#/components/schemas/MatchPage', nullable: true),
            new OA\Property('confidence', description: '0 to 1; what says 0.9 or more is right at least 95 times in 100', type: 'number'),
            new OA\Property('none', description: 'how sure it is that it has no page any more, 0 to 1', type: 'number'),
            new OA\Property('why', type: 'string'),
            new OA\Property('next', type: 'array', items: new OA\Items(ref: '#/components/schemas/MatchPage')),
            new OA\Property('held', description: 'what holds the address already', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Segment',
        required: ['segment', 'below', 'here'],
        properties: [
            new OA\Property('segment', type: 'string'),
            new OA\Property('below', type: 'integer'),
            new OA\Property('here', description: 'what answers at the segment itself', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RedirectDetail',
        required: ['redirect', 'targetName', 'since', 'sample', 'way', 'days', 'referrers', 'links', 'sameTarget'],
        properties: [
            new OA\Property('redirect', ref: '#/components/schemas/Redirect'),
            new OA\Property('targetName', description: 'of a page or file that it leads to', type: 'string', nullable: true),
            new OA\Property('since', type: 'string', format: 'date-time'),
            new OA\Property('sample', type: 'string'),
            new OA\Property('way', ref: '#/components/schemas/Explanation'),
            new OA\Property('days', type: 'array', items: new OA\Items(ref: '#/components/schemas/HitDay')),
            new OA\Property('referrers', type: 'array', items: new OA\Items(ref: '#/components/schemas/Referrer')),
            new OA\Property(
                'links',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'name'],
                    type: 'object',
                    properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
                ),
            ),
            new OA\Property(
                'sameTarget',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'source', 'note'],
                    type: 'object',
                    properties: [
                        new OA\Property('id', type: 'string'),
                        new OA\Property('source', type: 'string'),
                        new OA\Property('note', type: 'string'),
                    ],
                ),
            ),
        ],
    ),
]
final class AddressShapes
{
}

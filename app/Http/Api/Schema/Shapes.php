<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** Shapes of answers that are written as plain arrays or rows, described in one place. */
#[OA\Schema(schema: 'Hit', required: ['id', 'name', 'heading', 'address', 'state', 'exact', 'within'], properties: [
    new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string'), new OA\Property('heading', type: 'string'), new OA\Property('address', type: 'string'),
    new OA\Property('state', ref: '#/components/schemas/State'), new OA\Property('exact', type: 'boolean'), new OA\Property('within', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'SlugAnswer', description: 'The slug and address a page would get, and who holds that address if anybody does.', required: ['slug', 'address', 'inherited', 'conflict', 'error', 'suggestion'], properties: [
    new OA\Property('slug', type: 'string', nullable: true), new OA\Property('address', type: 'string', nullable: true), new OA\Property('inherited', type: 'string', nullable: true),
    new OA\Property('conflict', ref: '#/components/schemas/Conflict', nullable: true),
    new OA\Property('error', type: 'string', nullable: true), new OA\Property('suggestion', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'Explanation', required: ['asked', 'normal', 'hops', 'status', 'location', 'page', 'why'], properties: [
    new OA\Property('asked', type: 'string'), new OA\Property('normal', type: 'string'),
    new OA\Property('hops', type: 'array', items: new OA\Items(required: ['from', 'to', 'status', 'why'], type: 'object', properties: [
        new OA\Property('from', type: 'string'), new OA\Property('to', type: 'string'), new OA\Property('status', type: 'integer'), new OA\Property('why', type: 'string'),
    ])),
    new OA\Property('status', type: 'integer'), new OA\Property('location', type: 'string', nullable: true),
    new OA\Property('page', required: ['id', 'name'], type: 'object', nullable: true, properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')]),
    new OA\Property('why', type: 'string'),
])]
#[OA\Schema(schema: 'File', required: ['id', 'name', 'address', 'width', 'height'], properties: [
    new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string'), new OA\Property('address', type: 'string'),
    new OA\Property('width', type: 'integer', nullable: true), new OA\Property('height', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'DraftWords', required: ['document', 'basedOn', 'typed'], properties: [
    new OA\Property('document', ref: '#/components/schemas/Document'), new OA\Property('basedOn', type: 'integer'), new OA\Property('typed', type: 'string', format: 'date-time'),
])]
#[OA\Schema(schema: 'Document', description: 'Typed blocks, version 1; see docs/develop/words.md.', type: 'object', additionalProperties: true)]
#[OA\Schema(schema: 'OtherWriter', required: ['name', 'typed'], properties: [new OA\Property('name', type: 'string'), new OA\Property('typed', type: 'string', format: 'date-time')])]
#[OA\Schema(schema: 'AddressMove', required: ['page', 'name', 'from', 'to', 'seen'], properties: [
    new OA\Property('page', type: 'string'), new OA\Property('name', type: 'string'), new OA\Property('from', type: 'string'), new OA\Property('to', type: 'string'),
    new OA\Property('seen', description: 'visitors know the old address, so it goes on answering', type: 'boolean'),
])]
#[OA\Schema(schema: 'MenuEffect', required: ['kind', 'page', 'label', 'under'], properties: [
    new OA\Property('kind', type: 'string', enum: ['appears', 'vanishes', 'moves', 'relabels']), new OA\Property('page', type: 'string'),
    new OA\Property('label', type: 'string'), new OA\Property('under', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'RippleNote', required: ['kind', 'page', 'name', 'other'], properties: [
    new OA\Property('kind', type: 'string', enum: ['live-under-hidden', 'start-page-hidden', 'address-taken-over']), new OA\Property('page', type: 'string'),
    new OA\Property('name', type: 'string'), new OA\Property('other', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'WayOut', description: 'Add its changes and decisions to the batch to take it.', required: ['kind', 'slug', 'changes', 'decisions'], properties: [
    new OA\Property('kind', type: 'string', enum: ['free-slug', 'swap', 'replace-redirect', 'choose-another']), new OA\Property('slug', type: 'string', nullable: true),
    new OA\Property('changes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Change')), new OA\Property('decisions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Decision')),
])]
#[OA\Schema(schema: 'Holder', required: ['kind', 'page', 'name', 'state', 'since', 'byChange'], properties: [
    new OA\Property('kind', type: 'string', enum: ['page', 'redirect', 'reserved']), new OA\Property('page', type: 'string', nullable: true), new OA\Property('name', type: 'string', nullable: true),
    new OA\Property('state', type: 'string', nullable: true), new OA\Property('since', type: 'string', format: 'date-time', nullable: true), new OA\Property('byChange', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'Change', description: 'kind: make, rename, set-slug, move, go-live, take-offline; `page` names the page, for make a new ULID. `place` is one of last, first (a parent or null), before, after (a sibling).', required: ['kind', 'page'], properties: [
    new OA\Property('kind', type: 'string', enum: ['make', 'rename', 'set-slug', 'move', 'go-live', 'take-offline']), new OA\Property('page', type: 'string'),
    new OA\Property('name', type: 'string'), new OA\Property('slug', type: 'string'),
    new OA\Property('place', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string', nullable: true)),
])]
#[OA\Schema(schema: 'Decision', required: ['replace-redirect'], properties: [new OA\Property('replace-redirect', description: 'a redirect at this address gives way', type: 'string')])]
#[OA\Schema(schema: 'Batch', required: ['changes'], properties: [
    new OA\Property('changes', type: 'array', items: new OA\Items(ref: '#/components/schemas/Change')),
    new OA\Property('decisions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Decision')),
    new OA\Property('digest', description: 'of the ripple that was shown; refused with the new ripple when it has changed', type: 'string'),
    new OA\Property('note', type: 'string'),
])]
final class Shapes
{
}

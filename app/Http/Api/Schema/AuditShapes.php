<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** What the audit found, as it is read. */
#[
    OA\Schema(
        schema: 'AuditOverview',
        required: ['pages', 'clean', 'score', 'waiting', 'days', 'first', 'worse'],
        properties: [
            new OA\Property('pages', description: 'that visitors see', type: 'integer'),
            new OA\Property('clean', description: 'of them without findings', type: 'integer'),
            new OA\Property('score', description: '0 to 100, weighted; null before the first look', type: 'integer', nullable: true),
            new OA\Property('waiting', description: 'pages that are still to be looked at', type: 'integer'),
            new OA\Property(
                'days',
                type: 'array',
                items: new OA\Items(
                    required: ['day', 'score', 'clean', 'pages', 'findings'],
                    type: 'object',
                    properties: [
                        new OA\Property('day', type: 'string', format: 'date'),
                        new OA\Property('score', type: 'number'),
                        new OA\Property('clean', type: 'integer'),
                        new OA\Property('pages', type: 'integer'),
                        new OA\Property('findings', type: 'integer'),
                    ],
                ),
            ),
            new OA\Property('first', description: 'most worth doing', type: 'array', items: new OA\Items(ref: '#/components/schemas/FindingGroup')),
            new OA\Property(
                'worse',
                description: 'what came in the last seven days by a change',
                type: 'array',
                items: new OA\Items(
                    required: ['check', 'title', 'pages', 'first', 'entry', 'sentence', 'at'],
                    type: 'object',
                    properties: [
                        new OA\Property('check', type: 'string'),
                        new OA\Property('title', type: 'string'),
                        new OA\Property('pages', type: 'integer'),
                        new OA\Property('first', description: 'name of one of the pages', type: 'string'),
                        new OA\Property('entry', type: 'string', nullable: true),
                        new OA\Property('sentence', type: 'string'),
                        new OA\Property('at', type: 'string', format: 'date-time'),
                    ],
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'FindingGroup',
        required: ['of', 'check', 'title', 'why', 'severity', 'weight', 'fix', 'pages', 'gain', 'examples', 'faults'],
        properties: [
            new OA\Property('check', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('why', type: 'string'),
            new OA\Property('severity', ref: '#/components/schemas/Severity'),
            new OA\Property('weight', type: 'integer'),
            new OA\Property('fix', ref: '#/components/schemas/Fix'),
            new OA\Property('of', description: 'what it is about', type: 'string', enum: ['pages', 'menus', 'redirects']),
            new OA\Property('pages', description: 'or menus, or redirects', type: 'integer'),
            new OA\Property('gain', description: 'weight and severity times pages, more for pages that many link to', type: 'integer'),
            new OA\Property('examples', description: 'the first pages', type: 'array', items: new OA\Items(ref: '#/components/schemas/Finding')),
            new OA\Property(
                'faults',
                description: 'menus and redirects, up to 500',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'name', 'says'],
                    properties: [
                        new OA\Property('id', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('says', type: 'string'),
                    ],
                    type: 'object',
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Finding',
        required: ['page', 'name', 'address', 'state', 'says', 'since', 'entry', 'sentence'],
        properties: [
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('state', ref: '#/components/schemas/State'),
            new OA\Property('says', type: 'string'),
            new OA\Property('since', type: 'string', format: 'date-time'),
            new OA\Property('entry', description: 'change of the history that brought it', type: 'string', nullable: true),
            new OA\Property('sentence', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Dismissal',
        required: ['check', 'title', 'page', 'name', 'address', 'reason', 'until', 'person'],
        properties: [
            new OA\Property('check', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('reason', type: 'string'),
            new OA\Property('until', description: 'day on which it is asked again; null for never', type: 'string', format: 'date', nullable: true),
            new OA\Property('person', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ToDismiss',
        required: ['page', 'check', 'reason'],
        properties: [
            new OA\Property('page', type: 'string'),
            new OA\Property('check', type: 'string'),
            new OA\Property('reason', type: 'string'),
            new OA\Property('until', description: 'day on which it is asked again; null for never', type: 'string', format: 'date', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'ForeseenFinding',
        required: ['check', 'title', 'severity', 'weight', 'page', 'name', 'says'],
        properties: [
            new OA\Property('check', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('severity', ref: '#/components/schemas/Severity'),
            new OA\Property('weight', type: 'integer'),
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('says', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Foresight',
        description: 'Lists hold up to a hundred; the numbers count all.',
        required: ['state', 'appear', 'go', 'moved', 'appears', 'goes', 'deeper', 'nearer', 'orphaned'],
        properties: [
            new OA\Property(
                'state',
                description: 'seen; open while a decision is open; large where too much would have to be looked at beforehand',
                type: 'string',
                enum: ['seen', 'open', 'large'],
            ),
            new OA\Property('appear', type: 'array', items: new OA\Items(ref: '#/components/schemas/ForeseenFinding')),
            new OA\Property('go', type: 'array', items: new OA\Items(ref: '#/components/schemas/ForeseenFinding')),
            new OA\Property(
                'moved',
                description: 'clicks from the start page, before and after; null where nothing leads to the page',
                type: 'array',
                items: new OA\Items(
                    required: ['page', 'name', 'from', 'to'],
                    properties: [
                        new OA\Property('page', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('from', type: 'integer', nullable: true),
                        new OA\Property('to', type: 'integer', nullable: true),
                    ],
                    type: 'object',
                ),
            ),
            new OA\Property('appears', type: 'integer'),
            new OA\Property('goes', type: 'integer'),
            new OA\Property('deeper', type: 'integer'),
            new OA\Property('nearer', type: 'integer'),
            new OA\Property('orphaned', description: 'pages that nothing leads to any more', type: 'integer'),
        ],
    ),
]
final class AuditShapes
{
}

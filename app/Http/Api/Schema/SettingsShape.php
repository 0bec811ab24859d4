<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Address\TrailingSlash;
use OpenApi\Attributes as OA;

/** What holds for a whole site. */
#[
    OA\Schema(
        schema: 'SiteRemoval',
        description: 'What would go with a site.',
        required: ['name', 'days', 'pages', 'live', 'files', 'redirects', 'people', 'visitors'],
        properties: [
            new OA\Property('name', type: 'string'),
            new OA\Property('days', description: 'that it is kept in the bin', type: 'integer'),
            new OA\Property('pages', type: 'integer'),
            new OA\Property('live', type: 'integer'),
            new OA\Property('files', type: 'integer'),
            new OA\Property('redirects', type: 'integer'),
            new OA\Property('people', type: 'integer'),
            new OA\Property('visitors', type: 'integer'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'FailedJobs',
        required: ['waiting', 'jobs'],
        properties: [
            new OA\Property('waiting', description: 'jobs of all sites that wait or run', type: 'integer'),
            new OA\Property('jobs', type: 'array', items: new OA\Items(ref: '#/components/schemas/FailedJob')),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'FailedJob',
        required: ['id', 'what', 'failedAt', 'why'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('what', description: 'what it was to do, for people', type: 'string'),
            new OA\Property('failedAt', type: 'string', format: 'date-time'),
            new OA\Property('why', description: 'the fault in a line', type: 'string'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'RemovedSite',
        required: ['key', 'name', 'origin', 'since'],
        properties: [
            new OA\Property('key', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('origin', type: 'string'),
            new OA\Property('since', type: 'string', format: 'date-time'),
        ],
        type: 'object',
    ),
]
#[
    OA\Schema(
        schema: 'SiteSettings',
        required: [
            'names',
            'design',
            'origin',
            'language',
            'zone',
            'rules',
            'startPages',
            'layouts',
            'titlePattern',
            'robotsLines',
            'checksLinks',
            'tellsEngines',
            'hasHead',
            'people',
            'roles',
            'gates',
            'visitors',
            'signUp',
            'caching',
        ],
        properties: [
            new OA\Property(
                'names',
                required: ['name', 'tagline'],
                type: 'object',
                properties: [new OA\Property('name', type: 'string'), new OA\Property('tagline', type: 'string')],
            ),
            new OA\Property(
                'design',
                required: ['now', 'all'],
                type: 'object',
                properties: [new OA\Property('now', type: 'string'), new OA\Property('all', type: 'array', items: new OA\Items(type: 'string'))],
            ),
            new OA\Property('origin', type: 'string'),
            new OA\Property('language', type: 'string'),
            new OA\Property('zone', type: 'string'),
            new OA\Property(
                'rules',
                description: 'how addresses are written',
                required: ['trailingSlash', 'suffix', 'caseSensitive', 'nativeLetters'],
                type: 'object',
                properties: [
                    new OA\Property('trailingSlash', type: 'string', enum: TrailingSlash::class),
                    new OA\Property('suffix', type: 'string'),
                    new OA\Property('caseSensitive', type: 'boolean'),
                    new OA\Property('nativeLetters', type: 'boolean'),
                ],
            ),
            new OA\Property(
                'startPages',
                description: 'names',
                required: ['visitors', 'signedIn'],
                type: 'object',
                properties: [
                    new OA\Property('visitors', type: 'string', nullable: true),
                    new OA\Property('signedIn', description: 'null for the same', type: 'string', nullable: true),
                ],
            ),
            new OA\Property('layouts', type: 'integer'),
            new OA\Property('titlePattern', type: 'string', nullable: true),
            new OA\Property('robotsLines', type: 'integer'),
            new OA\Property('checksLinks', type: 'boolean'),
            new OA\Property('tellsEngines', type: 'boolean'),
            new OA\Property('hasHead', description: 'head code of all pages', type: 'boolean'),
            new OA\Property('people', type: 'integer'),
            new OA\Property('roles', type: 'integer'),
            new OA\Property('gates', description: 'pages that say who sees them', type: 'integer'),
            new OA\Property('visitors', description: 'accounts', type: 'integer'),
            new OA\Property('caching', ref: '#/components/schemas/Caching'),
            new OA\Property('signUp', type: 'string', enum: ['nobody', 'everyone', 'approval']),
        ],
    ),
]
final class SettingsShape
{
}

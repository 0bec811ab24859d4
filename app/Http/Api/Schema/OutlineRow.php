<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'OutlineRow',
        description: 'A page as the outline shows it; `match` only under a filter. What has its default is omitted.',
        required: ['id', 'parent', 'name', 'slug', 'address', 'state', 'everLive', 'clicks', 'changed', 'description', 'score', 'by', 'level'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('parent', type: 'string', nullable: true),
            new OA\Property('name', type: 'string'),
            new OA\Property('slug', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('state', ref: '#/components/schemas/State'),
            new OA\Property(
                'rights',
                description: 'what one may do there; omitted where that is the same on the whole site',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/Right'),
            ),
            new OA\Property('listed', type: 'boolean', default: true),
            new OA\Property('everLive', type: 'boolean'),
            new OA\Property('clicks', description: 'from the start page; null where nothing reaches it', type: 'integer', nullable: true),
            new OA\Property('linksIn', description: 'pages whose content links here', type: 'integer', default: 0),
            new OA\Property('reachDue', description: 'clicks and links are being worked out anew', type: 'boolean', default: false),
            new OA\Property('changed', type: 'string', format: 'date-time'),
            new OA\Property('children', type: 'integer', default: 0),
            new OA\Property('edited', description: 'live, with content saved that visitors do not see yet', type: 'boolean', default: false),
            new OA\Property('indexed', description: 'search engines may list it', type: 'boolean', default: true),
            new OA\Property('closed', description: 'not everyone sees it', type: 'boolean', default: false),
            new OA\Property('picks', description: 'names of the picks it is on', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('title', type: 'string', enum: ['own', 'pattern'], default: 'pattern'),
            new OA\Property('description', type: 'string', enum: ['own', 'summary', 'content', 'site', 'none']),
            new OA\Property('kind', ref: '#/components/schemas/PageKind'),
            new OA\Property('leadsTo', description: 'of a pointer or download: the name, address or URL it leads to', type: 'string', nullable: true),
            new OA\Property('leftOut', type: 'boolean', default: false),
            new OA\Property('isProtected', type: 'boolean', default: false),
            new OA\Property('pinned', type: 'boolean', default: false),
            new OA\Property('from', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('until', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('layout', description: 'key of its layout', type: 'string', default: 'page'),
            new OA\Property('score', description: 'of 100, in Findability; null where nothing was looked at', type: 'integer', nullable: true),
            new OA\Property('by', description: 'who changed it last', type: 'string', nullable: true),
            new OA\Property('start', type: 'boolean', default: false),
            new OA\Property('level', type: 'integer'),
            new OA\Property('match', type: 'boolean'),
        ],
    ),
]
#[OA\Schema(schema: 'State', type: 'string', enum: ['draft', 'review', 'live', 'offline', 'bin'])]
final class OutlineRow
{
}

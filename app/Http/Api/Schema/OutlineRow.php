<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'OutlineRow', description: 'A page as the outline shows it; `match` only under a filter.', required: ['id', 'parent', 'name', 'slug', 'address', 'state', 'listed', 'everLive', 'clicks', 'linksIn', 'changed', 'children', 'edited', 'indexed', 'picks', 'title', 'description', 'start', 'level', 'kind', 'leadsTo', 'leftOut', 'kept', 'pinned', 'from', 'until'], properties: [
    new OA\Property('id', type: 'string'), new OA\Property('parent', type: 'string', nullable: true),
    new OA\Property('name', type: 'string'), new OA\Property('slug', type: 'string'), new OA\Property('address', type: 'string'),
    new OA\Property('state', ref: '#/components/schemas/State'), new OA\Property('listed', type: 'boolean'), new OA\Property('everLive', type: 'boolean'),
    new OA\Property('clicks', description: 'from the start page; null where nothing reaches it', type: 'integer', nullable: true),
    new OA\Property('linksIn', description: 'pages whose words link here', type: 'integer'),
    new OA\Property('changed', type: 'string', format: 'date-time'), new OA\Property('children', type: 'integer'),
    new OA\Property('edited', description: 'live, with words saved that visitors do not see yet', type: 'boolean'),
    new OA\Property('indexed', description: 'search engines may list it', type: 'boolean'),
    new OA\Property('picks', description: 'names of the picks it is on', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property('title', type: 'string', enum: ['own', 'pattern']),
    new OA\Property('description', type: 'string', enum: ['own', 'summary', 'words', 'site', 'none']),
    new OA\Property('kind', ref: '#/components/schemas/PageKind'), new OA\Property('leadsTo', description: 'of a pointer or download: the name, address or URL it leads to', type: 'string', nullable: true),
    new OA\Property('leftOut', type: 'boolean'), new OA\Property('kept', type: 'boolean'), new OA\Property('pinned', type: 'boolean'),
    new OA\Property('from', type: 'string', format: 'date-time', nullable: true), new OA\Property('until', type: 'string', format: 'date-time', nullable: true),
    new OA\Property('start', type: 'boolean'), new OA\Property('level', type: 'integer'), new OA\Property('match', type: 'boolean'),
])]
#[OA\Schema(schema: 'State', type: 'string', enum: ['draft', 'review', 'live', 'offline', 'bin'])]
final class OutlineRow
{
}

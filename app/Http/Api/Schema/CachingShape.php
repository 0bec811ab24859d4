<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'Caching',
        description: 'How long browsers and caches on the way keep a page without asking: off (nobody keeps it), standard (they ask each time), long (an hour), or seconds up to a week.',
        oneOf: [new OA\Schema(type: 'string', enum: ['off', 'standard', 'long']), new OA\Schema(type: 'integer', minimum: 1, maximum: 604_800)],
    ),
]
final class CachingShape
{
}

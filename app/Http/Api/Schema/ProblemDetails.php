<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'Problem',
        description: 'RFC 9457. `errors` with 422, `ripple` with 409, `theirs` with 412 on content, `confirm` with 403.',
        required: ['type', 'title', 'status', 'detail'],
        properties: [
            new OA\Property('type', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('status', type: 'integer'),
            new OA\Property('detail', type: 'string'),
            new OA\Property('errors', type: 'array', items: new OA\Items(ref: '#/components/schemas/Refused')),
            new OA\Property('ripple', ref: '#/components/schemas/Ripple'),
            new OA\Property('theirs', ref: '#/components/schemas/Content'),
            new OA\Property(
                'confirm',
                description: 'with 403: the password is to be typed again, by confirmSession, and then it can be asked again',
                type: 'boolean',
            ),
        ],
    ),
]
final class ProblemDetails
{
}

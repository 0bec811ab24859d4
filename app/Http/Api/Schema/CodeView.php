<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'Code',
        description: 'Styles and head code that the owner of a site writes by hand.',
        required: ['styles', 'head', 'allows', 'problems'],
        properties: [
            new OA\Property('styles', type: 'string'),
            new OA\Property('head', type: 'string'),
            new OA\Property(
                'allows',
                description: 'what the head code lets browsers do, a sentence each',
                type: 'array',
                items: new OA\Items(type: 'string'),
            ),
            new OA\Property(
                'problems',
                type: 'array',
                items: new OA\Items(
                    required: ['field', 'reason'],
                    properties: [new OA\Property('field', type: 'string'), new OA\Property('reason', type: 'string')],
                    type: 'object',
                ),
            ),
        ],
        type: 'object',
    ),
]
final class CodeView
{
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use App\Desk\RippleGroup;
use OpenApi\Attributes as OA;

/** What the whole API has in common; operations are described on their controllers. */
#[
    OA\Info(
        version: '1',
        title: 'Heronstem',
        description: 'The page tree, addresses and search texts of the sites of an installation. Signed in by session cookie with a CSRF token, or by a personal token as bearer.',
    ),
]
#[OA\Server(url: '/api/v1')]
#[OA\SecurityScheme(securityScheme: 'token', type: 'http', scheme: 'bearer')]
#[OA\SecurityScheme(securityScheme: 'session', type: 'apiKey', in: 'cookie', name: 'heronstem_session')]
#[OA\Parameter(parameter: 'site', name: 'site', in: 'path', required: true, description: 'key of the site', schema: new OA\Schema(type: 'string'))]
#[
    OA\Parameter(
        parameter: 'page',
        name: 'page',
        in: 'path',
        required: true,
        description: 'identity of the page',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[
    OA\Parameter(
        parameter: 'entry',
        name: 'entry',
        in: 'path',
        required: true,
        description: 'identity of the history entry',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[
    OA\Parameter(
        parameter: 'token',
        name: 'token',
        in: 'path',
        required: true,
        description: 'as it stands in the mail',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[
    OA\Parameter(
        parameter: 'job',
        name: 'job',
        in: 'path',
        required: true,
        description: 'identity of a job that failed, as a UUID',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[
    OA\Parameter(
        parameter: 'change',
        name: 'change',
        in: 'path',
        required: true,
        description: 'identity of a change in the background, as a ULID',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[OA\Parameter(parameter: 'person', name: 'person', in: 'path', required: true, schema: new OA\Schema(type: 'string'))]
#[OA\Parameter(parameter: 'visitor', name: 'visitor', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
#[OA\Parameter(parameter: 'ownToken', name: 'token', in: 'path', required: true, description: 'its number', schema: new OA\Schema(type: 'integer'))]
#[
    OA\Parameter(
        parameter: 'session',
        name: 'session',
        in: 'path',
        required: true,
        description: 'as the account lists it',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[OA\Parameter(parameter: 'role', name: 'role', in: 'path', required: true, description: 'its key', schema: new OA\Schema(type: 'string'))]
#[OA\Parameter(parameter: 'menu', name: 'menu', in: 'path', required: true, schema: new OA\Schema(type: 'string'))]
#[
    OA\Parameter(
        parameter: 'group',
        name: 'group',
        in: 'path',
        required: true,
        description: 'which consequences',
        schema: new OA\Schema(type: 'string', enum: RippleGroup::class),
    ),
]
#[
    OA\Parameter(
        parameter: 'ifMatch',
        name: 'If-Match',
        in: 'header',
        required: true,
        description: 'the ETag one started from',
        schema: new OA\Schema(type: 'string'),
    ),
]
#[
    OA\Response(
        response: 'Problem',
        description: 'What happened, which field, why, and the way out (RFC 9457)',
        content: new OA\MediaType(mediaType: 'application/problem+json', schema: new OA\Schema(ref: '#/components/schemas/Problem')),
    ),
]
final class WholeApi
{
}

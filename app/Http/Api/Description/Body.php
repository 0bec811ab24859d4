<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use OpenApi\Attributes as OA;

/** What an operation takes, in JSON. */
final class Body extends OA\RequestBody
{
    public function __construct(string $schema)
    {
        parent::__construct(required: true, content: new OA\JsonContent(ref: "#/components/schemas/$schema"));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use OpenApi\Attributes as OA;

/** A field of the query. */
final class Query extends OA\Parameter
{
    public function __construct(string $name, string $type = 'string', ?string $description = null)
    {
        parent::__construct(name: $name, description: $description, in: 'query', schema: new OA\Schema(type: $type));
    }
}

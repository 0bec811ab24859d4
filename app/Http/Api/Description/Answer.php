<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use OpenApi\Attributes as OA;

/** An answer in JSON: one of a schema, or a list of them. */
final class Answer extends OA\Response
{
    public function __construct(string $schema, bool $list = false, int $status = 200, string $description = 'Done')
    {
        $one = "#/components/schemas/$schema";
        parent::__construct(
            response: $status,
            description: $description,
            content: $list ? new OA\JsonContent(type: 'array', items: new OA\Items(ref: $one)) : new OA\JsonContent(ref: $one),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Refused', description: 'A field that was not taken, why, and what would do.')]
final readonly class Refused
{
    public function __construct(
        #[OA\Property] public string $field,
        #[OA\Property] public string $reason,
        #[OA\Property] public ?string $suggestion,
    ) {
    }
}

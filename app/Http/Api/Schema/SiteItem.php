<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Membership;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Site', description: 'A site, and the role one has on it.')]
final readonly class SiteItem
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $name,
        #[OA\Property] public string $origin,
        #[OA\Property] public string $language,
        #[OA\Property(description: 'time zone (IANA)')] public string $zone,
        #[OA\Property(enum: ['owner', 'manager', 'writer', 'reader'])] public string $role,
    ) {
    }

    public static function of(Membership $membership): self
    {
        $site = $membership->site;

        return new self($site->key, $site->name, $site->origin, $site->language, $site->zone, $membership->role->value);
    }
}

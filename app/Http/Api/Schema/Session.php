<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\User;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Session', description: 'Who is signed in, and the sites they work on.')]
final readonly class Session
{
    /** @param  list<SiteItem>  $sites */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $email,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Site'))] public array $sites,
    ) {
    }

    public static function of(User $user): self
    {
        $sites = $user->memberships()->with('site')->get()->sortBy('site_id')->map(SiteItem::of(...));

        return new self($user->ulid, $user->name, $user->email, array_values($sites->all()));
    }
}

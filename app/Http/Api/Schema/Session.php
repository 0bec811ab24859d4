<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\RightsOn;
use App\Models\Membership;
use App\Models\User;
use Heronstem\Core\Access\Right;
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
        #[
            OA\Property(description: 'a role of theirs asks for a second step; until they have one, they are let in nowhere'),
        ]
        public bool $lacksSecondStep,
    ) {
    }

    public static function of(User $user, RightsOn $rights): self
    {
        $sites = $user
            ->memberships()
            ->has('site')
            ->with(['site', 'roles'])
            ->get()
            ->sortBy('site_id')
            ->filter(static fn (Membership $each): bool => $rights->own($user, $each->site)->rights->maySomewhere(Right::See))
            ->map(static fn (Membership $each): SiteItem => SiteItem::of($each, $rights->held($user, $each->site), $rights->lookingAs($each->site)));

        $lacks =
            $user->second_step_since === null &&
            $user->memberships()->whereHas('roles', static fn ($roles) => $roles->where('needs_second_step', true))->exists();

        return new self($user->ulid, $user->name, $user->email, array_values($sites->all()), $lacks);
    }
}

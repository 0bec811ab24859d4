<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\HeldRights;
use App\Desk\LookingAs;
use App\Models\Membership;
use Heronstem\Core\Access\Right;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Site', description: 'A site, the roles one has on it, and what one may do there.')]
final readonly class SiteItem
{
    /**
     * @param  list<string>  $roles
     * @param  list<string>  $rights
     * @param  list<string>  $somewhere
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $name,
        #[OA\Property] public string $origin,
        #[OA\Property] public string $language,
        #[OA\Property(description: 'time zone (IANA)')] public string $zone,
        #[OA\Property(description: 'names', type: 'array', items: new OA\Items(type: 'string'))] public array $roles,
        #[OA\Property(description: 'whether one may do everything')] public bool $isOwner,
        #[
            OA\Property(description: 'held on the whole site', type: 'array', items: new OA\Items(ref: '#/components/schemas/Right')),
        ]
        public array $rights,
        #[
            OA\Property(description: 'held on it or in some branch', type: 'array', items: new OA\Items(ref: '#/components/schemas/Right')),
        ]
        public array $somewhere,
        #[
            OA\Property(description: 'the role or person one looks as, while one does; nothing can be done then', nullable: true),
        ]
        public ?string $lookingAs,
    ) {
    }

    public static function of(Membership $membership, HeldRights $held, ?LookingAs $looking = null): self
    {
        $site = $membership->site;
        $values = static fn (\Closure $which): array => array_values(array_column(array_filter(Right::cases(), $which), 'value'));

        return new self(
            $site->key,
            $site->name,
            $site->origin,
            $site->language,
            $site->zone,
            array_values($membership->roles->pluck('name')->all()),
            $held->rights->isOwner(),
            $values(static fn (Right $right): bool => $held->may($right)),
            $values(static fn (Right $right): bool => $held->rights->maySomewhere($right)),
            $looking?->name,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Change\Change;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Moment;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\WayOut;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Conflict', description: 'An address that is wanted and held by something else: by what, and the ways out that apply.')]
final readonly class ConflictView
{
    /**
     * @param  array<string, string|null>  $held
     * @param  list<array<string, mixed>>  $waysOut
     */
    public function __construct(
        #[OA\Property] public string $address,
        #[OA\Property(description: 'empty where a redirect wants it')] public string $page,
        #[OA\Property(description: 'the redirect that wants it', nullable: true)] public ?string $redirect,
        #[OA\Property(ref: '#/components/schemas/Holder', type: 'object')] public array $held,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/WayOut'))] public array $waysOut,
    ) {
    }

    public static function of(Conflict $conflict): self
    {
        return new self(
            $conflict->address->readable(),
            $conflict->page,
            $conflict->rule,
            [
                'kind' => $conflict->held->kind->value,
                'page' => $conflict->holder?->id,
                'name' => $conflict->holder?->name,
                'state' => $conflict->holder?->state->value,
                'since' => $conflict->held->since === null ? null : Moment::stored($conflict->held->since)->iso(),
                'byChange' => $conflict->held->byChange,
            ],
            array_map(
                static fn (WayOut $way): array => [
                    'kind' => $way->kind->value,
                    'slug' => $way->slug?->text,
                    'changes' => array_map(static fn (Change $change): array => $change->toArray(), $way->changes),
                    'decisions' => array_map(static fn (Decision $decision): array => $decision->toArray(), $way->decisions),
                ],
                $conflict->waysOut,
            ),
        );
    }
}

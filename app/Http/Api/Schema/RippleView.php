<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Address\Claim;
use Heronstem\Core\Menu\MenuEffect;
use Heronstem\Core\Structure\AddressMove;
use Heronstem\Core\Structure\Conflict;
use Heronstem\Core\Structure\Note;
use Heronstem\Core\Structure\Ripple;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Ripple', description: 'What follows from a batch, computed and not written. Counts are whole; lists hold the first fifty.')]
final readonly class RippleView
{
    private const EXAMPLES = 50;

    /**
     * @param  array<string, int>  $counts
     * @param  list<array<string, mixed>>  $moves
     * @param  list<string>  $redirectsWritten
     * @param  list<string>  $redirectsDropped
     * @param  list<array<string, mixed>>  $menu
     * @param  list<ConflictView>  $conflicts
     * @param  list<array<string, mixed>>  $notes
     */
    public function __construct(
        #[OA\Property(description: 'stands for this ripple when applying')] public string $digest,
        #[OA\Property(description: 'visitors notice, so it is worth a look')] public bool $matters,
        #[OA\Property] public bool $canBeApplied,
        #[OA\Property(type: 'object', required: ['addresses', 'redirectsWritten', 'redirectsDropped', 'menu', 'links', 'sitemap', 'decisions'], properties: [
            new OA\Property('addresses', type: 'integer'), new OA\Property('redirectsWritten', type: 'integer'), new OA\Property('redirectsDropped', type: 'integer'),
            new OA\Property('menu', type: 'integer'), new OA\Property('links', type: 'integer'), new OA\Property('sitemap', type: 'integer'), new OA\Property('decisions', type: 'integer'),
        ])] public array $counts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/AddressMove'))] public array $moves,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $redirectsWritten,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $redirectsDropped,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuEffect'))] public array $menu,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Conflict'))] public array $conflicts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/RippleNote'))] public array $notes,
    ) {
    }

    public static function of(Ripple $ripple): self
    {
        return new self(
            $ripple->digest(), $ripple->matters(), $ripple->canBeApplied(),
            [
                'addresses' => count($ripple->moves), 'redirectsWritten' => count($ripple->redirectsWritten), 'redirectsDropped' => count($ripple->redirectsDropped),
                'menu' => count($ripple->menu), 'links' => $ripple->linksFollow, 'sitemap' => $ripple->sitemapEntries, 'decisions' => count($ripple->conflicts),
            ],
            array_map(static fn (AddressMove $move): array => ['page' => $move->page, 'name' => $move->name, 'from' => $move->from->readable(), 'to' => $move->to->readable(), 'seen' => $move->seen], array_slice($ripple->moves, 0, self::EXAMPLES)),
            self::paths($ripple->redirectsWritten), self::paths($ripple->redirectsDropped),
            array_map(static fn (MenuEffect $effect): array => ['kind' => $effect->kind->value, 'page' => $effect->page, 'label' => $effect->label, 'under' => $effect->under], array_slice($ripple->menu, 0, self::EXAMPLES)),
            array_map(static fn (Conflict $conflict): ConflictView => ConflictView::of($conflict), array_slice($ripple->conflicts, 0, self::EXAMPLES)),
            array_map(static fn (Note $note): array => ['kind' => $note->kind->value, 'page' => $note->page, 'name' => $note->name, 'other' => $note->other], array_slice($ripple->notes, 0, self::EXAMPLES)),
        );
    }

    /**
     * @param  list<Claim>  $claims
     * @return list<string>
     */
    private static function paths(array $claims): array
    {
        return array_map(static fn (Claim $claim): string => $claim->address->readable(), array_slice($claims, 0, self::EXAMPLES));
    }
}

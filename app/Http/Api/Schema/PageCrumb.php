<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Page;
use Heronstem\Core\Tree\Page as TreePage;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'PageCrumb', description: 'A page named in passing.')]
final readonly class PageCrumb
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $address,
        #[OA\Property(ref: '#/components/schemas/State')] public string $state,
    ) {
    }

    public static function of(Page $page): self
    {
        return new self($page->ulid, $page->name, $page->address, $page->state->value);
    }

    public static function inTree(TreePage $page): self
    {
        return new self($page->id, $page->name, $page->address->path, $page->state->value);
    }
}

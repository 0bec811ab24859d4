<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Search\HeadTags;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'SearchAppearance', description: 'Title tag and meta description as they will be, each with its source.')]
final readonly class SearchView
{
    public function __construct(
        #[OA\Property] public string $title,
        #[OA\Property(enum: ['own', 'pattern'])] public string $titleSource,
        #[OA\Property] public string $description,
        #[OA\Property(enum: ['own', 'summary', 'content', 'site', 'none'])] public string $descriptionSource,
        #[OA\Property] public string $canonical,
    ) {
    }

    public static function of(HeadTags $tags): self
    {
        return new self(
            $tags->title->text,
            $tags->title->source->value,
            $tags->description->text,
            $tags->description->source->value,
            $tags->canonical,
        );
    }
}

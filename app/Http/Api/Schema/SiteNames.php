<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Site;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'SiteNames', description: 'What a site is called.', required: [])]
final readonly class SiteNames
{
    private function __construct(
        #[OA\Property(description: 'on pages and in titles')] public string $name,
        #[OA\Property(description: 'for narrow places; empty for the name')] public string $shortName,
        #[OA\Property(description: 'a line under the name')] public string $tagline,
        #[OA\Property(description: 'for search engines, where a page has none')] public string $summary,
        #[OA\Property(description: 'folder of its design; empty for the one that ships')] public string $design,
    ) {
    }

    public static function of(Site $site): self
    {
        return new self($site->name, $site->short_name, $site->tagline, $site->description, $site->design);
    }
}

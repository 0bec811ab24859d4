<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\LinkTargets;

/** Where the links of one document lead, read in one query. */
final readonly class StoredLinkTargets implements LinkTargets
{
    /** @var array<string, string> */
    private array $addresses;

    public function __construct(Document $content, Site $site)
    {
        $pages = $content->linkedPages();
        $this->addresses =
            $pages === []
                ? []
                : Page::query()
                    ->where('site_id', $site->id)
                    ->whereRaw('is_visible(state, from_at, until_at)')
                    ->whereIn('ulid', $pages)
                    ->pluck('address', 'ulid')
                    ->all();
    }

    public function addressOf(string $page): ?string
    {
        return $this->addresses[$page] ?? null;
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\LinkTargets;
use Heronstem\Core\Content\WantedName;

/** Where the links of one document lead, read in one query. */
final readonly class StoredLinkTargets implements LinkTargets
{
    /** @var array<string, string> address by page */
    private array $addresses;

    /** @var array<string, string> address by the key of the name that was wanted */
    private array $made;

    public function __construct(Document $content, Site $site)
    {
        $wanted = array_map(WantedName::key(...), $content->wanted());
        $pages = $content->linkedPages();
        MadeOf::pages(...$pages);
        $wanted === [] || MadeOf::anyPage();
        $rows =
            $pages === [] && $wanted === []
                ? []
                : Page::query()
                    ->where('site_id', $site->id)
                    ->whereRaw('is_visible(state, from_at, until_at) and is_told(gate_id)')
                    ->where(static fn ($query) => $query->whereIn('ulid', $pages)->orWhereIn('wanted_as', $wanted))
                    ->orderByDesc('id')
                    ->get(['ulid', 'address', 'wanted_as'])
                    ->all();
        $this->addresses = array_column($rows, 'address', 'ulid');
        $this->made = array_column(array_filter($rows, static fn (Page $page): bool => $page->wanted_as !== null), 'address', 'wanted_as');
    }

    public function addressOf(string $page): ?string
    {
        return $this->addresses[$page] ?? null;
    }

    public function addressOfWanted(string $name): ?string
    {
        return $this->made[WantedName::key($name)] ?? null;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\WantedName;

/** Links to pages that were wanted and are there by now. */
final class MetWishes
{
    /** The same content with those links leading to the pages themselves. */
    public function turned(Document $content, Site $site): Document
    {
        $names = $content->wanted();
        $made = $names === [] ? [] : $this->pages($site, array_map(WantedName::key(...), $names));
        foreach ($names as $name) {
            $page = $made[WantedName::key($name)] ?? null;
            $content = $page === null ? $content : $content->withWantedMade($name, $page);
        }

        return $content;
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, string> page by key; where several were made, the first
     */
    private function pages(Site $site, array $keys): array
    {
        return Page::query()
            ->where('site_id', $site->id)
            ->whereIn('wanted_as', $keys)
            ->where('state', '<>', 'bin')
            ->orderByDesc('id')
            ->pluck('ulid', 'wanted_as')
            ->all();
    }
}

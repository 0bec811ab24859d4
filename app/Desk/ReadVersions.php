<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\PageContent;
use App\Store\ContentVersions;
use Heronstem\Core\Content\Document;

/** The versions of a page's content: which there are, each by itself, and two beside each other. */
final readonly class ReadVersions
{
    public function __construct(private ContentVersions $versions)
    {
    }

    /** @return list<array<string, mixed>> the newest first */
    public function of(Page $page): array
    {
        $live = PageContent::query()->find($page->id)?->live_version;

        return array_map(static fn (\stdClass $row): array => [...(array) $row, 'live' => $row->number === $live], $this->versions->of($page));
    }

    /** Null where there is no such version. */
    public function document(Page $page, int $number): ?Document
    {
        return $this->versions->document($page, $number);
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Tree\Page;

/** A page of the core as the database takes it, with other pages named by their ULIDs. */
final class PageRow
{
    /** @return array<string, scalar|null> */
    public static function of(Page $page): array
    {
        return [
            'ulid' => $page->id, 'parent' => $page->parent, 'position' => $page->position, 'name' => $page->name, 'slug' => $page->slug->text,
            'slug_by_hand' => $page->slugByHand, 'pinned' => $page->pinned?->path, 'state' => $page->state->value, 'ever_live' => $page->everLive, 'listed' => $page->listed,
            'kind' => $page->kind->value, 'leads_to' => $page->leadsTo?->toText(), 'left_out' => $page->leftOut, 'is_protected' => $page->isProtected, 'bin' => $page->bin, 'was' => $page->was?->value,
            'from_at' => $page->from?->iso(), 'until_at' => $page->until?->iso(), 'review_note' => $page->reviewNote,
            'heading' => $page->texts->heading, 'summary' => $page->texts->summary, 'search_title' => $page->texts->searchTitle, 'search_description' => $page->texts->searchDescription,
            'prepared' => $page->prepared?->toText(), 'layout' => $page->layout, 'indexed' => $page->indexed,
        ];
    }
}

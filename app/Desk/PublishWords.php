<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\PageWords;
use App\Store\NotedLinks;

/** Puts words that were being worked on before visitors. */
final readonly class PublishWords
{
    public function __construct(private NotedLinks $links)
    {
    }

    public function forPage(Page $page): void
    {
        $this->forPages([$page->ulid]);
    }

    /** @param  list<string>  $pages */
    public function forPages(array $pages): void
    {
        if ($pages === []) {
            return;
        }
        $words = PageWords::query()->whereIn('page_id', Page::query()->whereIn('ulid', $pages)->select('id'))->get();
        foreach ($words as $each) {
            $each->update(['live' => $each->working, 'live_version' => $each->working_version]);
        }
        $this->links->note($words->modelKeys());
    }
}

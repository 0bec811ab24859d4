<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Page;
use App\Models\PageContent;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\PlainText;
use Heronstem\Core\Search\PageFacts;

/** What a page and its place say to search engines: the facts from which head tags are made. */
final class DescribePage
{
    /**
     * @param  list<Page>  $ancestors  from the top down
     * @param  Document  $content  those that visitors see, or those being worked on for a preview
     */
    public function facts(Page $page, array $ancestors, Document $content): PageFacts
    {
        $picture = $content->pictures()[0] ?? null;
        $parent = $ancestors === [] ? null : $ancestors[count($ancestors) - 1];

        return new PageFacts(
            name: $page->name,
            heading: $page->displayHeading(),
            section: $ancestors[0]->name ?? null,
            parent: $parent?->name,
            searchTitle: $page->search_title,
            searchDescription: $page->search_description,
            summary: $page->summary,
            text: PlainText::of($content),
            address: $page->address,
            picture: $picture === null ? null : File::query()->where('site_id', $page->site_id)->where('ulid', $picture)->first()?->address(),
        );
    }

    /** @param  array<string, string>  $typed  texts that are being typed */
    public function ofWorking(Page $page, array $typed = []): PageFacts
    {
        return $this->facts(
            $page->showing($page->workingTexts()->changed($typed, $page->name)),
            $page->ancestors(),
            PageContent::document($page->content),
        );
    }
}

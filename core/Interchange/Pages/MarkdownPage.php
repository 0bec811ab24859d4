<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Symfony\Component\Yaml\Yaml;

/** A page as a Markdown file with front matter, as MarkdownFiles reads it again. */
final class MarkdownPage
{
    /** Where it lies in the folder: a page with others below it is the index of a folder of its own. */
    public static function path(Page $page, bool $hasChildren): string
    {
        $path = trim($page->address->readable(), '/');

        return $path === '' ? 'index.md' : ($hasChildren ? "$path/index.md" : "$path.md");
    }

    /**
     * @param  list<string>  $former
     * @param  string  $markdown  its content
     */
    public static function write(Page $page, array $former, string $markdown): string
    {
        $texts = $page->working();
        $said = array_filter(
            [
                'id' => $page->id,
                'name' => $page->name,
                'heading' => $texts->heading,
                'address' => $page->address->readable(),
                'slug' => $page->slug->text,
                'kind' => $page->kind === PageKind::Page ? null : $page->kind->value,
                'leadsTo' => $page->leadsTo?->value,
                'layout' => $page->layout === 'page' ? null : $page->layout,
                'state' => $page->state->value,
                'listed' => $page->listed ? null : false,
                'tags' => $page->tags->all,
                'summary' => $texts->summary,
                'searchTitle' => $texts->searchTitle,
                'description' => $texts->searchDescription,
                'socialTitle' => $texts->socialTitle,
                'socialDescription' => $texts->socialDescription,
                'canonical' => $page->search->canonical->toText() === 'itself' ? null : $page->search->canonical->toText(),
                'index' => $page->search->own->index,
                'follow' => $page->search->own->follow,
                'from' => $page->from?->iso(),
                'until' => $page->until?->iso(),
                'fields' => $texts->fields->values,
                'former' => $former,
            ],
            static fn (mixed $value): bool => $value !== null && $value !== '' && $value !== [],
        );

        return "---\n".Yaml::dump($said, 4, 2, Yaml::DUMP_MULTI_LINE_LITERAL_BLOCK)."---\n".($markdown === '' ? '' : "\n$markdown");
    }
}

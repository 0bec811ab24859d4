<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\DescribePage;
use App\Models\Page;
use App\Models\PageWords;
use App\Models\Site;
use App\Store\StoredLinkTargets;
use App\Store\StoredPictures;
use App\Store\VisibleTree;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;
use Heronstem\Core\Search\HeadTags;
use Heronstem\Core\Search\SearchDescription;

/** Everything the layouts show of a page: head tags, menus, breadcrumbs, words, cards. */
final readonly class PageView
{
    public function __construct(private DescribePage $describe, private VisibleTree $tree)
    {
    }

    /** @return array<string, mixed> what every layout shows */
    public function frame(Site $site): array
    {
        return ['site' => $site, 'menu' => $this->tree->menu($site), 'start' => $this->tree->start($site)];
    }

    /** @return array<string, mixed> */
    public function of(Page $page, Site $site, Document $words): array
    {
        $ancestors = $page->ancestors();
        $visible = array_values(array_filter($ancestors, static fn (Page $above): bool => $above->isVisible()));
        $isStart = $page->id === $site->start_page_id;

        return [
            ...$this->frame($site),
            'page' => $page,
            'isStart' => $isStart,
            'head' => HeadTags::of($this->describe->facts($page, $ancestors, $words), $site->facts()),
            'crumbs' => $visible,
            'trail' => [...array_column($ancestors, 'id'), $page->id],
            'side' => $isStart ? [] : $this->tree->side($page, $ancestors),
            'cards' => in_array($page->layout, ['home', 'section'], true) ? $this->cards($page, $site, $isStart) : [],
            'html' => (new HtmlRenderer(new StoredLinkTargets($words, $site), new StoredPictures($words, $site)))->render($words),
        ];
    }

    /** @return list<array{name: string, address: string, text: string}> */
    private function cards(Page $page, Site $site, bool $isStart): array
    {
        $pages = Page::query()->with('words')->where('site_id', $site->id)->whereRaw('is_visible(state, from_at, until_at)')->where('listed', true)
            ->when($isStart, fn ($query) => $query->whereNull('parent_id')->whereKeyNot($page->id), fn ($query) => $query->where('parent_id', $page->id))
            ->orderBy('position')->limit(60)->get();

        return array_values($pages->map(fn (Page $child): array => [
            'name' => $child->name,
            'address' => $child->address,
            'text' => SearchDescription::of($this->describe->facts($child, [], $child->words instanceof PageWords ? $child->words->liveDocument() : Document::blank()), $site->facts())->text,
        ])->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Store\MadeOf;
use Heronstem\Core\Content\Block\Pages;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\ListedPage;
use Heronstem\Core\Content\PageLists;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Tree\SearchSettings;
use Heronstem\Core\Tree\Showing;
use Illuminate\Database\Eloquent\Builder;

/** Lists of pages as a visitor sees them, each page with its text and its small picture. */
final readonly class ListPages
{
    /** The place in the tree: the positions of the pages on the way down. */
    public const PLACE = "(select array_agg(a.position order by nlevel(a.path)) from pages a where a.id = any(string_to_array(pages.path::text, '.')::bigint[]))";

    public function __construct(private DescribePage $describe, private CachedMenus $menus)
    {
    }

    /** The lists of a site's contents for somebody. */
    public function for(Site $site, Viewer $viewer): PageLists
    {
        return new class($this, $site, $viewer) implements PageLists
        {
            public function __construct(private ListPages $lists, private Site $site, private Viewer $viewer)
            {
            }

            public function pages(array $list): array
            {
                return match ($list['from']) {
                    'branch' => $this->lists->inside($this->site, $list['branch']['page'], $list['order'], $list['most'], $list['field'] ?? ''),
                    'tag' => $this->lists->tagged($this->site, $list['tag'], $list['order'], $list['most'], $list['field'] ?? ''),
                    'chosen' => $this->lists->chosen($this->site, array_column($list['chosen'], 'page')),
                    default => $this->lists->picked($this->site, $list['picks'], $this->viewer),
                };
            }
        };
    }

    /**
     * The pages right inside a page.
     *
     * @return list<ListedPage>
     */
    public function inside(Site $site, string $page, string $order, int $most, string $field = ''): array
    {
        MadeOf::pages($page);
        $branch = Page::query()->where('site_id', $site->id)->where('ulid', $page)->first();

        return $branch === null ? [] : $this->below($site, [...$branch->ancestors(), $branch], $order, $most, field: $field);
    }

    /**
     * @param  list<Page>  $above  from the top down; none for the top of the tree
     * @param  string|null  $layout  only pages of this one
     * @param  string  $field  the key of the field to order by, a hyphen before it for the highest first
     * @return list<ListedPage>
     */
    public function below(
        Site $site,
        array $above,
        string $order = 'tree',
        int $most = Pages::MOST,
        ?string $layout = null,
        string $field = '',
    ): array {
        $parent = $above === [] ? null : $above[count($above) - 1];
        MadeOf::cardsInside($parent?->id);
        $pages = $this->shown($site)
            ->when(
                $parent === null,
                fn (Builder $query) => $query->whereNull('parent_id')->whereKeyNot($site->start_page_id),
                fn (Builder $query) => $query->where('parent_id', $parent?->id),
            )
            ->when($layout !== null, fn (Builder $query) => $query->where('layout', $layout))
            ->tap(static fn (Builder $query) => self::order($query, $order, $field))
            ->orderBy('position')
            ->limit($most)
            ->get();

        return array_values($pages->map(fn (Page $page): ListedPage => $this->listed($page, $site, $above))->all());
    }

    /**
     * The pages with a tag, wherever they stand.
     *
     * @return list<ListedPage>
     */
    public function tagged(Site $site, string $tag, string $order, int $most, string $field): array
    {
        MadeOf::anyCard();
        $pages = $this->shown($site)
            ->whereRaw('tags @> ?::jsonb', [json_encode([$tag], JSON_THROW_ON_ERROR)])
            ->tap(static fn (Builder $query) => self::order($query, $order, $field))
            ->orderByRaw(self::PLACE)
            ->limit($most)
            ->get();

        return array_values($pages->map(fn (Page $page): ListedPage => $this->listed($page, $site, $page->ancestors()))->all());
    }

    /** @param  Builder<Page>  $query */
    private static function order(Builder $query, string $order, string $field): void
    {
        match ($order) {
            'newest' => $query->orderByRaw('coalesce(from_at, live_since) desc nulls last'),
            'name' => $query->orderByRaw('lower(name)'),
            // Numbers and amounts by what they are, everything else by its letters; what says nothing comes last.
            'field' => $query->orderByRaw(
                str_replace(
                    'DIRECTION',
                    str_starts_with($field, '-') ? 'desc' : 'asc',
                    "case when fields->'values'->>? ~ '^-?[0-9.]+$' then (fields->'values'->>?)::numeric end DIRECTION nulls last, fields->'values'->>? DIRECTION nulls last",
                ),
                array_fill(0, 3, ltrim($field, '-')),
            ),
            default => null,
        };
    }

    /**
     * @param  list<string>  $ids  in their order
     * @return list<ListedPage>
     */
    public function chosen(Site $site, array $ids): array
    {
        array_map(MadeOf::card(...), $ids);
        $pages = $this->shown($site)->whereIn('ulid', $ids)->get()->keyBy('ulid');
        $found = array_values(array_filter(array_map(static fn (string $id): ?Page => $pages[$id] ?? null, $ids)));

        return array_map(fn (Page $page): ListedPage => $this->listed($page, $site, $page->ancestors()), $found);
    }

    /** @return list<ListedPage> */
    public function picked(Site $site, string $place, Viewer $viewer, ?ShownMenus $menus = null): array
    {
        return array_map(
            static fn (ResolvedEntry $pick): ListedPage => new ListedPage($pick->label, (string) $pick->href, $pick->text, $pick->picture),
            ($menus ?? $this->menus->shown($site, $viewer))[$place] ?? [],
        );
    }

    /** @return Builder<Page> */
    private function shown(Site $site): Builder
    {
        return Page::query()
            ->with('content')
            ->where('site_id', $site->id)
            ->whereRaw('is_visible(state, from_at, until_at) and is_open(gate_id)')
            ->where('listed', true);
    }

    /** @param  list<Page>  $above */
    private function listed(Page $page, Site $site, array $above): ListedPage
    {
        $content = $page->content instanceof PageContent ? $page->content->liveDocument() : Document::blank();
        $text = SearchDescription::of($this->describe->facts($page, $site, $above, $content), $site->facts())->text;

        return new ListedPage($page->name, $page->address, $text, $this->ownPicture($page));
    }

    /** The picture that a page chose for cards; one among its content is not shown there. */
    private function ownPicture(Page $page): ?string
    {
        $chosen = Showing::stored($page->showing)->picture ?? SearchSettings::stored($page->search)->own->socialPicture;

        return $chosen === null ? null : $this->describe->picture($page, $chosen, Document::blank())?->address();
    }
}

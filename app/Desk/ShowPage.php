<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\ReadLayouts;
use App\Desk\Design\ShowCode;
use App\Desk\Design\ShowCollection;
use App\Desk\Design\ShowFields;
use App\Desk\Design\SiteDesign;
use App\Models\Page;
use App\Models\Site;
use App\Models\Visitor;
use App\Store\MadeOf;
use App\Store\SharedPieces;
use App\Store\VisibleTree;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\ListedPage;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Search\HeadTags;
use Heronstem\Core\Search\StructuredData;
use Heronstem\Core\Tree\Showing;

/** Everything the layouts show of a page: head tags, menus, breadcrumbs, content, cards. */
final readonly class ShowPage
{
    public function __construct(
        private DescribePage $describe,
        private VisibleTree $tree,
        private CachedMenus $menus,
        private RenderContent $render,
        private ListPages $lists,
        private ReadLayouts $layouts,
        private ShowFields $fields,
        private SharedPieces $pieces,
        private ShowCollection $collections,
        private ShowCode $code,
        private LookedAt $looked,
        private SeenBy $seen,
    ) {
    }

    /** @return array<string, mixed> what every layout shows */
    public function frame(Site $site, ?Visitor $visitor = null, ?Viewer $as = null, ?Page $page = null): array
    {
        return [
            'styles' => ['ships' => ! SiteDesign::standsAlone($site), 'own' => SiteDesign::styles($site)],
            'inert' => '', // what nobody can reach while the page is written on
            'site' => $site,
            'menus' => $this->menus->shown($site, $as ?? ($visitor?->viewer() ?? Viewer::visitor())),
            'start' => $page !== null && $page->id === $site->start_page_id ? $page : $this->tree->start($site),
            'visitor' => $visitor,
            'signsIn' => $visitor !== null || $site->sign_up !== null || Visitor::query()->where('site_id', $site->id)->exists(),
        ];
    }

    /** What a page without content tells search engines. */
    public function head(Page $page, Site $site): HeadTags
    {
        return HeadTags::of($this->describe->facts($page, $site, $page->ancestors(), Document::blank()), $site->facts());
    }

    /**
     * @param  Viewer|null  $as  for looking at the page before visitors do, in the eyes of one; null for a visitor
     * @param  array<mixed>  $query  of the address
     * @return array<string, mixed>
     */
    public function of(Page $page, Site $site, Document $content, ?Visitor $visitor = null, ?Viewer $as = null, array $query = []): array
    {
        MadeOf::own($page->id);
        $content = $this->pieces->in($content, $site);
        $ancestors = $page->ancestors();
        MadeOf::pages(...array_column($ancestors, 'ulid'));
        $viewer = $as ?? ($visitor?->viewer() ?? Viewer::visitor());
        $frame = $this->frame($site, $visitor, $as, $page);
        $visible = array_values(
            array_filter($ancestors, fn (Page $above): bool => $above->isVisible($this->looked->moment()) && $this->seen->sees($above)),
        );
        $isStart =
            $page->id === $site->start_page_id || (($visitor !== null || $as?->isSignedIn === true) && $page->id === $site->start_page_signed_in_id);

        $head = HeadTags::of($this->describe->facts($page, $site, $ancestors, $content), $site->facts());

        $fields = $this->fields->of($page, $site, $head->url, $as === null);

        return [
            ...$frame,
            'view' => $this->layouts->view($page->layout),
            'fields' => $fields['fields'],
            'collection' => $this->collections->of($page, $site, $ancestors, $fields['fields'], $query, $as === null),
            'page' => $page,
            'code' => $this->code->of($page, $site),
            'reload' => isset($query['still']) ? null : Showing::stored($page->showing)->reload,
            'isStart' => $isStart,
            'head' => $head,
            'crumbs' => $visible,
            'linkedData' => StructuredData::of(
                $head,
                $site->facts(),
                $isStart ? [] : $this->wayTo($page, $visible, $frame['start']),
                '/_search',
                $fields['data'],
            ),
            'siteMap' => $page->layout === 'site-map' ? $this->tree->whole($site) : [],
            'trail' => [...array_column($ancestors, 'ulid'), $page->ulid],
            'side' => $isStart ? [] : $this->tree->side($page, $ancestors),
            'cards' => in_array($page->layout, ['home', 'section'], true)
                ? $this->cards($site, $isStart ? [] : [...$ancestors, $page], $viewer, $frame['menus'])
                : [],
            'html' => $this->render->html($content, $site, $viewer),
        ];
    }

    /**
     * @param  list<Page>  $above
     * @return list<array{name: string, address: string}>
     */
    private function wayTo(Page $page, array $above, ?Page $start): array
    {
        $way = array_filter([in_array($start?->id, array_column($above, 'id'), true) ? null : $start, ...$above, $page]);

        return array_values(array_map(static fn (Page $each): array => ['name' => $each->name, 'address' => $each->address], $way));
    }

    /**
     * The pages picked for the front page there, else the pages inside.
     *
     * @param  list<Page>  $above  pages above the cards, from the top down; none on the start page
     * @return list<ListedPage>
     */
    private function cards(Site $site, array $above, Viewer $viewer, ShownMenus $menus): array
    {
        $picked = $above === [] ? $this->lists->picked($site, 'front', $viewer, $menus) : [];

        return $picked === [] ? $this->lists->below($site, $above) : $picked;
    }
}

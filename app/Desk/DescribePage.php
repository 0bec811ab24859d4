<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\PlacedLayouts;
use App\Models\File;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Store\MadeOf;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\PlainText;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Tree\Canonical;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchDefaults;
use Heronstem\Core\Tree\SearchSettings;

/** What a page and its place say to search engines: the facts from which head tags are made. */
final readonly class DescribePage
{
    public function __construct(private PlacedLayouts $layouts, private LookedAt $looked)
    {
    }

    /**
     * @param  list<Page>  $ancestors  from the top down
     * @param  Document  $content  those that visitors see, or those being worked on for a preview
     * @param  PageTexts|null  $texts  other than those that visitors get
     * @param  SearchSettings|null  $typed  other settings than its own
     */
    public function facts(
        Page $page,
        Site $site,
        array $ancestors,
        Document $content,
        ?PageTexts $texts = null,
        ?SearchSettings $typed = null,
    ): PageFacts {
        $own = $typed ?? SearchSettings::stored($page->search);
        $settings = $this->settings($page, $site, $ancestors, $own);

        return new PageFacts(
            name: $page->name,
            section: $ancestors[0]->name ?? null,
            parent: $ancestors === [] ? null : $ancestors[count($ancestors) - 1]->name,
            texts: $texts ?? $page->liveTexts(),
            text: PlainText::of($content),
            address: $page->address,
            settings: $settings,
            canonical: $this->canonical($own->canonical, $page, $site),
            listed: $page->listed,
            picture: $this->picture($page, $settings->values->socialPicture, $content)?->address(),
            layout: fn (): Layout => $this->layouts->saying($page, $site, true),
        );
    }

    /**
     * @param  list<Page>  $ancestors  from the top down
     */
    public function settings(Page $page, Site $site, array $ancestors, SearchSettings $own): EffectiveSearch
    {
        MadeOf::settled($page->id, ...array_column($ancestors, 'id'));
        $branches = array_map(
            static fn (Page $above): array => [
                new SettingSource(SettingScope::Branch, (string) $above->ulid, $above->name),
                SearchDefaults::stored($above->branch_search),
            ],
            array_reverse([...$ancestors, $page]),
        );

        return $site->searchSettings()->effective($own->own, $page->layout, $branches);
    }

    /** The picture of its card: its own or an inherited one, else the first of its content. */
    public function picture(Page $page, ?string $social, Document $content): ?File
    {
        $wanted = $social ?? ($content->pictures()[0] ?? null);

        if ($wanted === null) {
            return null;
        }
        MadeOf::files($wanted);

        return File::query()->where('site_id', $page->site_id)->where('ulid', $wanted)->first();
    }

    /** @return string|null absolute URL; null for its own address, empty for none */
    private function canonical(Canonical $canonical, Page $page, Site $site): ?string
    {
        if ($canonical->kind === CanonicalKind::Page) {
            MadeOf::pages($canonical->value);
            $named = Page::query()->where('site_id', $page->site_id)->where('ulid', $canonical->value)->first();

            return $named?->isVisible($this->looked->moment()) === true ? $site->origin.$named->address : null;
        }

        return match ($canonical->kind) {
            CanonicalKind::None => '',
            CanonicalKind::Url => $canonical->value,
            default => null,
        };
    }

    /** With content and texts as they are being worked on. */
    public function ofWorking(Page $page, Site $site, ?PageTexts $texts = null, ?SearchSettings $typed = null): PageFacts
    {
        return $this->facts($page, $site, $page->ancestors(), PageContent::document($page->content), $texts ?? $page->workingTexts(), $typed);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use App\Desk\Design\ReadLayouts;
use App\Models\PageContent;
use App\Models\Site;
use App\Store\AuditPlaces;
use App\Store\SharedPieces;
use App\Store\StoredPages;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\Inspection;
use Heronstem\Core\Audit\Place;
use Heronstem\Core\Audit\Surroundings;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Layout\FieldText;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\PlainText;
use Heronstem\Core\Moment;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\RobotsTxt;
use Heronstem\Core\Search\SearchText;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchSettings;
use Illuminate\Database\ConnectionInterface;

/** Looks pages over as they are: live ones as visitors get them, others as they are being worked on. */
final readonly class InspectPages
{
    public function __construct(
        private ConnectionInterface $db,
        private AuditPlaces $places,
        private ReadLayouts $layouts,
        private SharedPieces $pieces,
    ) {
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, PageTexts>  $texts  that are being typed, instead of those that stand
     * @param  array<string, SearchSettings>  $typed  settings likewise
     * @return array<string, AuditedPage> by identity; pages in the bin are left out
     */
    public function of(Site $site, array $ids, array $texts = [], array $typed = []): array
    {
        return array_map(static fn (InspectedPage $page): AuditedPage => $page->audited, $this->whole($site, $ids, $texts, $typed));
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, PageTexts>  $texts
     * @param  array<string, SearchSettings>  $typed
     * @return array<string, InspectedPage> likewise, with what the site's own search reads
     */
    public function whole(Site $site, array $ids, array $texts = [], array $typed = []): array
    {
        if ($ids === []) {
            return [];
        }
        $known = [];
        foreach ((new StoredPages($this->db, $site))->withAncestors($ids) as $page) {
            $known[$page->id] = $page;
        }
        $wanted = array_filter(array_intersect_key($known, array_flip($ids)), static fn (Page $page): bool => ! $page->isBinned());
        $wanted = array_map(static fn (Page $page): Page => isset($typed[$page->id]) ? $page->with(['search' => $typed[$page->id]]) : $page, $wanted);
        $contents = $this->contents($wanted, isset($texts[$ids[0]]) || isset($typed[$ids[0]]), $site);
        $settings = $site->searchSettings();
        $facts = [];
        foreach ($wanted as $id => $page) {
            $above = $page->ancestorsIn($known);
            $facts[$id] = PageFacts::inTree(
                $page,
                $above,
                $settings->for($page, $above),
                $texts[$id] ?? ($page->isLive() ? $page->texts : $page->working()),
                PlainText::of($contents[$id]),
                fn (): Layout => $this->layouts->all()->withDefaults($settings->fieldDefaults)->at($page->layout, $above),
            );
        }
        $pictures = $this->pictures($site, $contents, $facts);
        $places = $this->places->of($site, array_map(strval(...), array_keys($wanted)));
        $inspection = new Inspection($site->facts(), $this->around($site));
        $inspected = [];
        foreach ($wanted as $id => $page) {
            $card = $pictures[$facts[$id]->settings->values->socialPicture ?? ($contents[$id]->pictures()[0] ?? '')] ?? null;
            $inspected[$id] = new InspectedPage(
                $inspection->of(
                    $page,
                    $facts[$id],
                    $contents[$id],
                    $places[$id] ?? new Place(null),
                    $pictures,
                    $card === null ? null : [$card['width'], $card['height']],
                ),
                $page->isLive() ? SearchText::of($page, $page->texts, $contents[$id], $this->fields($page, $page->ancestorsIn($known), $site)) : null,
            );
        }

        return $inspected;
    }

    /** @param  list<Page>  $above  the nearest first */
    private function fields(Page $page, array $above, Site $site): string
    {
        return FieldText::ofAll($this->layouts->all()->at($page->layout, $above), $page->texts->fields->values, $site->language);
    }

    private function around(Site $site): Surroundings
    {
        $languages = [];
        foreach (
            Site::query()
                ->whereKeyNot($site->id)
                ->get(['origin', 'language']) as $other
        ) {
            $languages[strtolower((string) parse_url($other->origin, PHP_URL_HOST))] = $other->language;
        }
        unset($languages[strtolower((string) parse_url($site->origin, PHP_URL_HOST))]);

        return new Surroundings(
            $site->ownAddresses(),
            RobotsTxt::parse($site->robotsTxt()),
            Moment::at(now()->getTimestamp()),
            $site->context()->startPage,
            $languages,
        );
    }

    /**
     * @param  array<string, Page>  $pages
     * @param  bool  $working  as they are being worked on, live or not
     * @return array<string, Document>
     */
    private function contents(array $pages, bool $working, Site $site): array
    {
        $stored = PageContent::query()
            ->join('pages', 'pages.id', '=', 'page_contents.page_id')
            ->whereIn('pages.ulid', array_keys($pages))
            ->get(['page_contents.*', 'pages.ulid'])
            ->keyBy('ulid');

        $contents = array_map(static function (Page $page) use ($stored, $working): Document {
            $content = $stored->get($page->id);

            return $content !== null && $page->isLive() && ! $working ? $content->liveDocument() : PageContent::document($content);
        }, $pages);
        $pieces = $this->pieces->ofAll(array_values($contents), $site);

        return $pieces === [] ? $contents : array_map(static fn (Document $content): Document => $content->withPieces($pieces), $contents);
    }

    /**
     * @param  array<string, Document>  $contents
     * @param  array<string, PageFacts>  $facts
     * @return array<string, array{bytes: int, width: int, height: int}>
     */
    private function pictures(Site $site, array $contents, array $facts): array
    {
        $ids = array_filter(array_map(static fn (PageFacts $of): ?string => $of->settings->values->socialPicture, $facts));
        foreach ($contents as $content) {
            array_push($ids, ...$content->pictures());
        }

        return $this->places->pictures($site, array_values(array_unique($ids)));
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\Design\ReadLayouts;
use App\Desk\PagesOfLinks;
use App\Models\Site;
use App\Models\SiteImport;
use App\Store\ContentTexts;
use App\Store\StoredLedger;
use App\Store\StoredPages;
use Heronstem\Core\Content\Document;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\PlacedPage;
use Heronstem\Core\Interchange\Pages\PlacedSource;
use Heronstem\Core\Interchange\Pages\PlacedStatus;
use Heronstem\Core\Interchange\Pages\Placement;
use Illuminate\Database\Connection;

/** What was given, placed in the site as it is now: nothing is written. */
final readonly class PlaceSource
{
    /** Contents compared at a time. */
    private const PIECE = 200;

    public function __construct(
        private Connection $db,
        private GivenLines $lines,
        private ReadLayouts $layouts,
        private ContentTexts $contents,
        private PagesOfLinks $pages,
    ) {
    }

    /** @throws InputRefused where it cannot be placed as it was said */
    public function of(SiteImport $import): PlacedSource
    {
        $site = $import->site;
        $placement = new Placement(
            $site->context(layouts: $this->layouts->all()->withDefaults($site->searchSettings()->fieldDefaults)),
            new StoredPages($this->db, $site),
            new StoredLedger($this->db, $site),
            SaidOfImport::read($import->said, $site->zone)->options,
        );
        $placed = $placement->of($this->lines->pages($import), $import->ulid);

        return $placed->withSameContent($this->unchanged($import, $placed));
    }

    /**
     * The contents that come with pages, links between them leading to pages.
     *
     * @param  \Closure(string): ?string  $pageAt  the page that an address of the source means
     * @param  array<string, true>  $wanted  by where pages stand in the source
     * @return iterable<string, array{Document|null, Document|null}> what is saved last and, where that is another, what visitors get
     */
    public function contents(SiteImport $import, \Closure $pageAt, array $wanted): iterable
    {
        $there = $this->pages->at($import->site);
        $read = static fn (GivenPage $page, string $of): ?Document => $page->{$of} === null
            ? null
            : self::linked(Document::kept(json_decode($page->{$of}->text, true, 100, JSON_THROW_ON_ERROR)), $pageAt, $there);
        foreach ($wanted === [] ? [] : $this->lines->pages($import) as $page) {
            if (isset($wanted[$page->at])) {
                yield $page->at => [$read($page, 'content'), $read($page, 'liveContent')];
            }
        }
    }

    /**
     * @param  \Closure(string): ?string  $pageAt  the page that an address of the source means
     * @param  \Closure(string): ?string  $there  the page of the site at an address
     */
    private static function linked(Document $document, \Closure $pageAt, \Closure $there): Document
    {
        $to = [];
        foreach ($document->hrefs() as $href) {
            $page = preg_match('#^(?:https?:)?/#i', $href) === 1 ? $pageAt($href) ?? $there($href) : null;
            if ($page !== null) {
                $to[$href] = $page;
            }
        }

        return $to === [] ? $document : $document->withHrefsTurned($to);
    }

    /** @return array<string, true> by where pages stand in the source: whose content is there already as it comes */
    private function unchanged(SiteImport $import, PlacedSource $placed): array
    {
        $wanted = [];
        foreach ($placed->pages as $page) {
            if ($page->status === PlacedStatus::Changed && $page->given->hasContent) {
                $wanted[$page->given->at] = $page;
            }
        }
        $same = $piece = [];
        foreach ($this->contents($import, $placed->pageAt(...), array_fill_keys(array_keys($wanted), true)) as $at => [$document]) {
            $piece[$at] = $document;
            if (count($piece) === self::PIECE) {
                $same += $this->sameOf($piece, $wanted);
                $piece = [];
            }
        }

        return $same + $this->sameOf($piece, $wanted);
    }

    /**
     * @param  array<string, Document|null>  $piece
     * @param  array<string, PlacedPage>  $pages
     * @return array<string, true>
     */
    private function sameOf(array $piece, array $pages): array
    {
        $stored = $piece === [] ? [] : $this->contents->of(array_map(static fn (string $at): string => $pages[$at]->id, array_keys($piece)));
        $same = [];
        foreach ($piece as $at => $document) {
            $now = $stored[$pages[$at]->id][0] ?? null;
            if ($document === null || ($now !== null && Document::kept($now)->equals($document))) {
                $same[$at] = true;
            }
        }

        return $same;
    }
}

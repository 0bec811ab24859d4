<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

use Heronstem\Core\Content\Document;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;

/** Looks a page over: everything that the checks ask, out of the page, its content and what surrounds it. */
final readonly class Inspection
{
    public function __construct(private SiteFacts $site, private Surroundings $around)
    {
    }

    /**
     * @param  PageFacts  $facts  of the same page
     * @param  array<string, array{bytes: int, width: int, height: int}>  $files  pictures that it shows, by identity
     * @param  array{int, int}|null  $socialPicture  px
     */
    public function of(Page $page, PageFacts $facts, Document $content, Place $place, array $files, ?array $socialPicture): AuditedPage
    {
        $title = SearchTitle::of($facts, $this->site);
        $description = SearchDescription::of($facts, $this->site);
        $settings = $facts->settings;
        $canonical = $page->search->canonical;
        $language = $this->site->language;
        $raw = $this->rawLinks($content);

        return new AuditedPage(
            id: $page->id,
            name: $page->name,
            heading: $facts->heading(),
            slug: $page->slug->text,
            address: $page->address->path,
            title: $title->text,
            titleWidth: $title->width(),
            description: $description->text,
            descriptionSource: $description->source,
            descriptionWidth: $description->width(),
            kind: $page->kind,
            parent: $page->parent,
            isLive: $page->isLive(),
            isListed: $page->listed,
            index: $settings->index(),
            isInSitemap: $settings->inSitemap(),
            saysSitemap: $page->search->own->inSitemap === true,
            mayBeFetched: $this->around->robots->verdict('*', $page->address->path)->isAllowed,
            canonical: $canonical,
            canonicalAddress: $canonical->kind === CanonicalKind::Url ? $this->around->own->in($canonical->value)?->path : null,
            canonicalLanguage: $canonical->kind === CanonicalKind::Url
                ? $this->around->languages[strtolower((string) parse_url($canonical->value, PHP_URL_HOST))] ?? null
                : null,
            hasFurtherAddresses: $place->hasFurtherAddresses,
            language: $language,
            headingLevels: $content->headingLevels(),
            words: count(Stem::words($facts->text)),
            fingerprint: Fingerprint::of($facts->text),
            readingEase: ReadingEase::of($facts->text, $language),
            links: $content->linkedPages(),
            rawLinks: $raw['own'],
            linksOut: $raw['out'],
            insecureLinks: $raw['insecure'],
            pictures: self::pictures($content, $files),
            socialPicture: $socialPicture,
            ended: $page->state === PageState::Offline && $page->until !== null && $page->until->seconds <= $this->around->now->seconds,
            handMadeMenus: $place->handMadeMenus,
            clicks: $place->clicks,
            isStart: $page->id === $this->around->startPage,
            phrase: self::phrase($page, $facts, $content, $title->text, $description->text, $language),
            outsideLinks: $raw['outside'],
        );
    }

    /** @return array{own: list<string>, out: int, insecure: int, outside: list<string>} */
    private function rawLinks(Document $content): array
    {
        $own = $outside = [];
        $out = $insecure = 0;
        foreach ($content->hrefs() as $href) {
            $address = $this->around->own->in($href);
            if ($address !== null) {
                $own[$address->path] = true;
            } elseif (preg_match('#^https?://#i', $href) === 1) {
                $out++;
                $outside[(string) strtok($href, '#')] = true;
                $insecure += stripos($href, 'http://') === 0 ? 1 : 0;
            }
        }

        return ['own' => array_map(strval(...), array_keys($own)), 'out' => $out, 'insecure' => $insecure, 'outside' => array_map(strval(...), array_keys($outside))];
    }

    /**
     * Pictures that are marked as decorative need no text.
     *
     * @param  array<string, array{bytes: int, width: int, height: int}>  $files
     * @return list<Picture>
     */
    private static function pictures(Document $content, array $files): array
    {
        $pictures = [];
        foreach ($content->picturesWithTexts() as ['file' => $file, 'alt' => $alt]) {
            $of = $files[$file] ?? ['bytes' => 0, 'width' => 0, 'height' => 0];
            $pictures[] = new Picture($alt ?? '-', $of['bytes'], $of['width'], $of['height']);
        }

        return $pictures;
    }

    private static function phrase(Page $page, PageFacts $facts, Document $content, string $title, string $description, string $language): ?PhraseUse
    {
        $phrase = $page->search->targetPhrase;
        $length = count(Stem::ofWords($phrase, $language));
        if ($phrase === '' || $length === 0) {
            return null;
        }
        $in = static fn (string $text): bool => Stem::contains($text, $phrase, $language);
        $words = Stem::ofWords($facts->text, $language);
        $texts = implode("\n", array_filter(array_column($content->picturesWithTexts(), 'alt')));

        return new PhraseUse(
            $phrase,
            $in($title),
            $in($facts->heading()),
            $in(str_replace('-', ' ', $page->slug->text)),
            $in($description),
            $in(implode(' ', array_slice(Stem::words($facts->text), 0, 100))),
            $in($texts),
            $words === [] ? 0.0 : $length * Stem::count($facts->text, $phrase, $language) / count($words),
        );
    }
}

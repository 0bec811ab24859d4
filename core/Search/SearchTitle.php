<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** The text of the title tag, and where it comes from: the page's own, or the site's pattern. */
final readonly class SearchTitle
{
    private function __construct(public string $text, public TitleSource $source)
    {
    }

    public static function of(PageFacts $page, SiteFacts $site): self
    {
        $own = self::fold((string) $page->searchTitle);

        return $own !== '' ? new self($own, TitleSource::Own) : new self(self::fromPattern($page, $site), TitleSource::Pattern);
    }

    private static function fromPattern(PageFacts $page, SiteFacts $site): string
    {
        $filled = strtr($site->titlePattern, [
            '{heading}' => $page->heading,
            '{name}' => $page->name,
            '{section}' => (string) $page->section,
            '{parent}' => (string) $page->parent,
            '{site}' => $site->name,
        ]);
        // A placeholder with nothing to say takes its separator along.
        $separator = '\s*[·|•–—:\-]\s*';
        $filled = (string) preg_replace('/(?<=\s)'.$separator.'(?=[·|•–—:\-]\s)/u', '', self::fold($filled));
        $filled = (string) preg_replace('/^'.$separator.'(?=\s)|(?<=\s)[·|•–—:\-]\s*$/u', '', $filled);
        $text = self::fold($filled);

        return $text !== '' ? $text : self::fold($page->heading);
    }

    private static function fold(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}

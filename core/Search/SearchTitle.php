<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** The text of the title tag, and where it comes from: the page's own, or the pattern that holds for it. */
final readonly class SearchTitle
{
    /** Widest title that a result shows whole, in px at SIZE. */
    public const MAX_WIDTH = 580;

    /** Below this a title says too little to be chosen, in px at SIZE. */
    public const MIN_WIDTH = 200;

    /** px of an em */
    public const SIZE = 20;

    private function __construct(public string $text, public TitleSource $source)
    {
    }

    public static function of(PageFacts $page, SiteFacts $site): self
    {
        $own = TextPattern::fold($page->texts->searchTitle);
        if ($own !== '') {
            return new self($own, TitleSource::Own);
        }
        $filled = $page->settings->titlePattern()->fill($page, $site);

        return new self($filled === '' ? TextPattern::fold($page->heading()) : $filled, TitleSource::Pattern);
    }

    /** px */
    public function width(): float
    {
        return TextWidth::of($this->text, self::SIZE);
    }

    /** As a result shows it. */
    public function shown(): string
    {
        return FittedText::within($this->text, self::MAX_WIDTH, self::SIZE);
    }
}

<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** The text of the meta description, and where it comes from: own, a pattern, summary, first sentences of the content, the site's. */
final readonly class SearchDescription
{
    /** Widest description that a result shows whole, in px at SIZE. */
    public const MAX_WIDTH = 920;

    /** The same on a telephone. */
    public const MAX_WIDTH_NARROW = 680;

    /** Below this a description leaves room unused, in px at SIZE. */
    public const MIN_WIDTH = 300;

    /** px of an em */
    public const SIZE = 14;

    private function __construct(public string $text, public DescriptionSource $source)
    {
    }

    public static function of(PageFacts $page, SiteFacts $site): self
    {
        $candidates = [
            [DescriptionSource::Own, $page->texts->searchDescription],
            [DescriptionSource::Pattern, (string) $page->settings->descriptionPattern()?->fill($page, $site)],
            [DescriptionSource::Summary, $page->texts->summary],
            [DescriptionSource::Content, self::firstSentences($page->text, $site->language)],
            [DescriptionSource::Site, $site->description],
        ];
        foreach ($candidates as [$source, $text]) {
            $folded = TextPattern::fold($text);
            if ($folded !== '') {
                return new self($folded, $source);
            }
        }

        return new self('', DescriptionSource::None);
    }

    /** px */
    public function width(): float
    {
        return TextWidth::of($this->text, self::SIZE);
    }

    /** As a result shows it, on a wide screen or a telephone. */
    public function shown(float $width = self::MAX_WIDTH): string
    {
        return FittedText::within($this->text, $width, self::SIZE);
    }

    private static function firstSentences(string $text, string $language): string
    {
        $taken = '';
        foreach (self::sentences($text, $language) as $sentence) {
            $longer = trim($taken.' '.$sentence);
            if (TextWidth::of($longer, self::SIZE) > self::MAX_WIDTH) {
                return $taken !== '' ? $taken : FittedText::within($longer, self::MAX_WIDTH, self::SIZE);
            }
            $taken = $longer;
        }

        return $taken;
    }

    /** @return iterable<string> */
    private static function sentences(string $text, string $language): iterable
    {
        foreach (explode("\n", $text) as $block) {
            $breaks = \IntlBreakIterator::createSentenceInstance($language);
            if ($breaks === null) {
                yield trim($block);

                continue;
            }
            $breaks->setText($block);
            foreach ($breaks->getPartsIterator() as $sentence) {
                yield trim((string) $sentence);
            }
        }
    }
}

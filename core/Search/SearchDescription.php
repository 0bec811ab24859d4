<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** The text of the meta description, and where it comes from: own, summary, first sentences of the content, the site's. */
final readonly class SearchDescription
{
    /** Most characters taken from a page's content. */
    public const MAX_LENGTH_FROM_CONTENT = 155;

    private function __construct(public string $text, public DescriptionSource $source)
    {
    }

    public static function of(PageFacts $page, SiteFacts $site): self
    {
        $candidates = [
            [DescriptionSource::Own, (string) $page->searchDescription],
            [DescriptionSource::Summary, (string) $page->summary],
            [DescriptionSource::Content, self::firstSentences($page->text, $site->language)],
            [DescriptionSource::Site, $site->description],
        ];
        foreach ($candidates as [$source, $text]) {
            $folded = trim((string) preg_replace('/\s+/u', ' ', $text));
            if ($folded !== '') {
                return new self($folded, $source);
            }
        }

        return new self('', DescriptionSource::None);
    }

    private static function firstSentences(string $text, string $language): string
    {
        $taken = '';
        foreach (self::sentences($text, $language) as $sentence) {
            $longer = trim($taken.' '.$sentence);
            if (mb_strlen($longer) > self::MAX_LENGTH_FROM_CONTENT) {
                return $taken !== '' ? $taken : self::cut($longer);
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

    private static function cut(string $sentence): string
    {
        $head = mb_substr($sentence, 0, self::MAX_LENGTH_FROM_CONTENT - 1);
        $space = mb_strrpos($head, ' ');

        return rtrim($space === false ? $head : mb_substr($head, 0, $space), ' ,;:–—-').'…';
    }
}

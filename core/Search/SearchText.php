<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\PlainText;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageTexts;

/** What the site's own search reads of a page, by how much it says of what the page is about. */
final readonly class SearchText
{
    /** Longest text that is read, bytes: what is beyond is not found. */
    public const MAX_BYTES = 250_000;

    /** Letters of the longest word that may be guessed at. */
    private const LONGEST_WORD = 40;

    public function __construct(public string $names, public string $headings, public string $description, public string $body)
    {
    }

    /** @param  string  $fields  what stands in the fields of its layout, as FieldText has it */
    public static function of(Page $page, PageTexts $texts, Document $content, string $fields = ''): self
    {
        $heading = $texts->heading === '' ? $page->name : $texts->heading;

        return new self(
            MarkedText::unmarked($heading === $page->name ? $page->name : "{$page->name}\n$heading"),
            MarkedText::unmarked(mb_strcut(implode("\n", $content->headings()), 0, self::MAX_BYTES)),
            MarkedText::unmarked($page->search->siteSearchDescription),
            MarkedText::unmarked(
                mb_strcut(
                    implode("\n", array_filter([$texts->summary, $fields, PlainText::of($content)], static fn (string $text): bool => $text !== '')),
                    0,
                    self::MAX_BYTES,
                ),
            ),
        );
    }

    /** @return list<string> its words, each once, in small letters: those long enough to be guessed at */
    public function words(): array
    {
        $words = SearchWords::split(implode("\n", [$this->names, $this->headings, $this->description, $this->body]));

        return array_values(
            array_unique(
                array_filter(
                    $words,
                    static fn (string $word): bool => mb_strlen($word) >= NearestWord::MIN_LENGTH &&
                        mb_strlen($word) <= self::LONGEST_WORD &&
                        preg_match('/^\p{N}+$/u', $word) !== 1,
                ),
            ),
        );
    }
}

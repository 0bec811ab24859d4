<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Masterminds\HTML5;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/** Turns HTML of any origin into a document: first sanitised, then only what the format knows is kept. */
final class PastedHtml
{
    /** Most bytes read of pasted HTML. */
    public const MAX_BYTES = 1_000_000;

    /** Deepest nesting read: word processors stay far below. */
    private const MAX_DEPTH = 100;

    /** Most elements read at once: taking them apart costs more than each alone. */
    private const MAX_ELEMENTS = 10_000;

    private readonly HtmlSanitizer $sanitizer;

    private readonly HtmlBlocks $blocks;

    /**
     * @param  \Closure(string): ?string  $pageAt  the identity of the page at an address of the site, if any
     * @param  (\Closure(string): ?string)|null  $pictureAt  the identity of the picture at an address, which may be one of the data scheme (RFC 2397)
     */
    public function __construct(\Closure $pageAt, ?\Closure $pictureAt = null)
    {
        $this->blocks = new HtmlBlocks($pageAt, $pictureAt ?? static fn (): ?string => null);
        $config = (new HtmlSanitizerConfig())
            ->allowSafeElements()
            ->allowElement('img', ['src', 'alt'])
            ->allowMediaSchemes(['http', 'https', 'data'])
            ->allowRelativeMedias()
            ->blockElement('span')
            ->allowLinkSchemes(['http', 'https', 'mailto', 'tel'])
            ->allowRelativeLinks()
            ->withMaxInputLength(self::MAX_BYTES);
        $this->sanitizer = new HtmlSanitizer($config);
    }

    /** @throws InvalidDocument when it is nested too deeply, or has too many elements, to be the content of a page */
    public function read(string $html): Document
    {
        return Document::read(['version' => Document::VERSION, 'type' => 'doc', 'content' => $this->blocks($html)]);
    }

    /**
     * For a writer, who is asked for what is missing: pictures may be without a text.
     *
     * @return list<array<string, mixed>>
     *
     * @throws InvalidDocument as above
     */
    public function blocks(string $html): array
    {
        self::guardSize($html);
        $cleaned = WordProcessorHtml::cleaned($html);
        self::guardSize($cleaned);

        return $this->blocks->of((new HTML5(['disable_html_ns' => true]))->loadHTMLFragment($this->sanitizer->sanitize($cleaned)));
    }

    /** @throws InvalidDocument when it is nested too deeply, or has too many elements, to be the content of a page */
    public static function guardSize(string $html): void
    {
        if (preg_match_all('#<[a-z]#i', $html) > self::MAX_ELEMENTS) {
            throw new InvalidDocument(
                'html',
                sprintf('What was pasted has more than %s elements. Paste it in pieces.', number_format(self::MAX_ELEMENTS)),
            );
        }
        if (HtmlNesting::isDeeperThan(self::MAX_DEPTH, $html)) {
            throw new InvalidDocument(
                'html',
                sprintf('What was pasted is nested more than %d levels deep. Paste it as plain text, or in pieces.', self::MAX_DEPTH),
            );
        }
    }
}

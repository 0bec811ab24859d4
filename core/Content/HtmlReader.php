<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Masterminds\HTML5;

/** Reads HTML that somebody has edited as such back into a document, and says what of it the format cannot hold. */
final readonly class HtmlReader
{
    /** Most bytes read. */
    public const MAX_BYTES = 1_000_000;

    private HtmlBlocks $blocks;

    /**
     * @param  \Closure(string): ?string  $pageAt  the identity of the page at an address of the site, if any
     * @param  \Closure(string): ?string  $pictureAt  the identity of the picture at an address, if any
     */
    public function __construct(\Closure $pageAt, \Closure $pictureAt)
    {
        $this->blocks = new HtmlBlocks($pageAt, $pictureAt, true);
    }

    /**
     * @return array{document: Document, lost: list<string>} and what was left out, each with how often
     *
     * @throws InvalidDocument where it is no content of a page, naming the place
     */
    public function read(string $html): array
    {
        PastedHtml::guardSize($html);
        $fragment = (new HTML5(['disable_html_ns' => true]))->loadHTMLFragment($html);
        $lost = HtmlLosses::takenOut($fragment);

        return [
            'document' => Document::read(['version' => Document::VERSION, 'type' => 'doc', 'content' => $this->blocks->of($fragment)]),
            'lost' => $lost,
        ];
    }
}

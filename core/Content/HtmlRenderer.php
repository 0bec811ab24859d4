<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Renders a document to HTML in which nothing but the format's own elements can appear. */
final readonly class HtmlRenderer
{
    public function __construct(private Sources $sources)
    {
    }

    public function render(Document $document): string
    {
        $html = (new HtmlWriter($this->sources))->blocks(Anchors::onHeadings($document->blocks));

        // The first picture is likely in sight at once; only the others can wait.
        return (string) preg_replace('/ loading="lazy"/', '', $html, 1);
    }
}

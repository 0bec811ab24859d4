<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlReader;
use Heronstem\Core\Content\HtmlSource;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\MarkdownSource;

/** Content as HTML or Markdown that people edit, and back. */
final readonly class ContentSource
{
    public function __construct(private PagesOfLinks $pages, private MarkdownToHtml $toHtml)
    {
    }

    public function html(Document $document, Site $site): string
    {
        return $this->writer($document, $site)->write($document);
    }

    public function markdown(Document $document, Site $site): string
    {
        return (new MarkdownSource($this->writer($document, $site)))->write($document);
    }

    /**
     * @param  'html'|'markdown'  $as
     * @return array{document: Document, lost: list<string>} and what of it the format cannot hold
     *
     * @throws InvalidDocument
     */
    public function read(string $text, string $as, Site $site): array
    {
        $html = $as === 'html' ? $text : $this->toHtml->html($text);

        return (new HtmlReader($this->pages->at($site), static fn (string $source): ?string => File::pictureAt($source, $site)))->read($html);
    }

    private function writer(Document $document, Site $site): HtmlSource
    {
        $addresses = Page::query()
            ->where('site_id', $site->id)
            ->whereIn('ulid', $document->linkedPages(true))
            ->where('state', '<>', 'bin')
            ->pluck('address', 'ulid');

        return new HtmlSource(static fn (string $page): ?string => $addresses[$page] ?? null);
    }
}

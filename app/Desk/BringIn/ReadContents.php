<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\MarkdownToHtml;
use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlReader;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PastedHtml;
use Heronstem\Core\Interchange\Pages\ContentForm;
use Heronstem\Core\Interchange\Pages\GivenContent;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\Remark;

/**
 * Contents that come with pages, as documents. Links to pages stay addresses until it is known which pages these are; pictures
 * and documents that come along are named by the identities that they will have.
 */
final readonly class ReadContents
{
    private MarkdownToHtml $toHtml;

    /** @param  \Closure(string): ?string  $fileAt  the identity that a file of the source will have, by its address there */
    public function __construct(private Site $site, private \Closure $fileAt)
    {
        $this->toHtml = new MarkdownToHtml();
    }

    /** The page with its content as a document, or without it and with the reason. */
    public function in(GivenPage $page): GivenPage
    {
        if ($page->content === null) {
            return $page;
        }
        try {
            $remarks = [];
            $document = $this->document($page->content, $remarks);
        } catch (InvalidDocument $no) {
            return $page->with(['content' => null])->remarked(Remark::of('content', "Its content cannot be read and stays away: {$no->reason}"));
        }
        $page = $page->with(['remarks' => [...$page->remarks, ...$remarks]]);

        return $page->with([
            'content' => $document->isBlank()
                ? null
                : new GivenContent(
                    ContentForm::Document,
                    json_encode($document->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                ),
        ]);
    }

    /**
     * @param  list<Remark>  $remarks
     *
     * @throws InvalidDocument
     */
    private function document(GivenContent $content, array &$remarks): Document
    {
        $noPage = static fn (string $href): ?string => null;
        $picture = fn (string $source): ?string => ($this->fileAt)($source) ?? File::pictureAt($source, $this->site);
        if ($content->form === ContentForm::Document) {
            $json = json_decode($content->text, true, 100);

            return Document::read(is_array($json) ? $json : []);
        }
        if ($content->form === ContentForm::Markdown) {
            $read = (new HtmlReader($noPage, $picture))->read($this->toHtml->html($content->text));
            if ($read['lost'] !== []) {
                $remarks[] = Remark::of('content', 'Left out of it, since pages cannot hold it: '.implode(', ', $read['lost']).'.');
            }

            return $this->withFiles($read['document']);
        }
        if (strlen($content->text) > PastedHtml::MAX_BYTES) {
            throw new InvalidDocument('content', 'it has more than 1 MB.');
        }
        $blocks = (new PastedHtml($noPage, $picture))->blocks($content->text);
        $without = self::markDecorative($blocks);
        if ($without > 0) {
            $remarks[] = Remark::of(
                'content',
                $without === 1
                    ? 'One picture has no alternative text; it is marked as decorative.'
                    : "$without pictures have no alternative text; they are marked as decorative.",
            );
        }

        return $this->withFiles(Document::read(['version' => Document::VERSION, 'type' => 'doc', 'content' => $blocks]));
    }

    private function withFiles(Document $document): Document
    {
        $to = [];
        foreach ($document->hrefs() as $href) {
            $file = ($this->fileAt)($href);
            if ($file !== null) {
                $to[$href] = $file;
            }
        }

        return $to === [] ? $document : $document->withHrefsOfFiles($to);
    }

    /** @param  array<mixed>  $nodes */
    private static function markDecorative(array &$nodes): int
    {
        $marked = 0;
        foreach ($nodes as &$node) {
            if (! is_array($node)) {
                continue;
            }
            if (
                is_array($node['attrs'] ?? null) &&
                array_key_exists('alt', $node['attrs']) &&
                $node['attrs']['alt'] === '' &&
                ($node['attrs']['decorative'] ?? false) !== true
            ) {
                $node['attrs']['decorative'] = true;
                $marked++;
            }
            if (is_array($node['content'] ?? null)) {
                $marked += self::markDecorative($node['content']);
            }
        }

        return $marked;
    }
}

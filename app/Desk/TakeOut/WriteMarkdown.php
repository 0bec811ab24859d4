<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use App\Desk\ContentSource;
use App\Models\Page;
use App\Models\Site;
use App\Store\ExportedPages;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Interchange\Pages\MarkdownPage;

/** Pages as a folder of Markdown files with front matter. */
final readonly class WriteMarkdown
{
    public function __construct(private ExportedPages $pages, private ContentSource $source)
    {
    }

    /** @return iterable<string> pieces of a ZIP file */
    public function pieces(Site $site, ?Page $branch): iterable
    {
        return ZipStream::of($this->files($site, $branch));
    }

    /** @return iterable<string, string> */
    private function files(Site $site, ?Page $branch): iterable
    {
        $held = null;
        foreach ($this->pages->all($site, $branch) as $each) {
            // Whether a page has others below it is told by the one that follows.
            if ($held !== null) {
                yield from $this->file($site, $held, $each[0]->parent === $held[0]->id);
            }
            $held = $each;
        }
        if ($held !== null) {
            yield from $this->file($site, $held, false);
        }
    }

    /**
     * @param  array{\Heronstem\Core\Tree\Page, array<mixed>|null, array<mixed>|null, list<string>, list<string>}  $of
     * @return iterable<string, string>
     */
    private function file(Site $site, array $of, bool $hasChildren): iterable
    {
        [$page, $content, , $former] = $of;
        $markdown = $content === null ? '' : $this->source->markdown(Document::kept($content), $site);
        yield MarkdownPage::path($page, $hasChildren) => MarkdownPage::write($page, $former, $markdown);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use App\Models\Page;
use App\Models\Site;
use App\Store\ExportedPages;
use Heronstem\Core\Interchange\Pages\OutlineWriter;
use Heronstem\Core\Tree\Page as TreePage;
use Heronstem\Core\Tree\PageKind;

/** A site, or a branch of it, as files in open formats: piece by piece, however large it is. */
final readonly class TakeOut
{
    public function __construct(
        private ExportedPages $pages,
        private WriteSiteFile $file,
        private WritePageTable $table,
        private WriteMarkdown $markdown,
        private WriteStaticSite $static,
    ) {
    }

    /** @return iterable<string> pieces of the file */
    public function pieces(Site $site, SiteFormat $format, ?Page $branch = null): iterable
    {
        return match ($format) {
            SiteFormat::Json => $this->file->pieces($site, $branch),
            SiteFormat::Csv => $this->table->csv($site, $branch),
            SiteFormat::Xlsx => $this->table->workbook($site, $branch),
            SiteFormat::Markdown => $this->markdown->pieces($site, $branch),
            SiteFormat::Html => $this->static->pieces($site, $branch),
            SiteFormat::Opml => OutlineWriter::pieces($branch->name ?? $site->name, $this->trees($site, $branch), $site->origin),
            SiteFormat::Sitemap => $this->sitemap($site, $branch),
        };
    }

    /** @return iterable<TreePage> */
    private function trees(Site $site, ?Page $branch): iterable
    {
        foreach ($this->pages->all($site, $branch) as [$page]) {
            yield $page;
        }
    }

    /**
     * Addresses of live pages that visitors are to find, as one file: what the site itself serves to engines is parted where it is large.
     *
     * @return iterable<string>
     */
    private function sitemap(Site $site, ?Page $branch): iterable
    {
        yield "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">\n";
        foreach ($this->trees($site, $branch) as $page) {
            if (
                $page->isShown() &&
                in_array($page->kind, [PageKind::Page, PageKind::Download], true) &&
                $page->search->own->index !== false &&
                $page->access === null
            ) {
                yield '<url><loc>'.htmlspecialchars($site->origin.$page->address->path, ENT_QUOTES | ENT_XML1)."</loc></url>\n";
            }
        }
        yield "</urlset>\n";
    }
}

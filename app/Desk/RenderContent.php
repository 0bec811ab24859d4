<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\SharedPieces;
use App\Store\StoredFiles;
use App\Store\StoredFilms;
use App\Store\StoredLinkTargets;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;
use Heronstem\Core\Content\Sources;
use Heronstem\Core\Menu\Viewer;

/** A document as HTML, with the links, files and lists of its site, as somebody sees them. */
final readonly class RenderContent
{
    public function __construct(private ListPages $lists, private SharedPieces $pieces)
    {
    }

    public function html(Document $content, Site $site, ?Viewer $viewer = null): string
    {
        $content = $this->pieces->in($content, $site);
        $sources = new Sources(
            new StoredLinkTargets($content, $site),
            new StoredFiles($content->files(), $site),
            $this->lists->for($site, $viewer ?? Viewer::visitor()),
            new StoredFilms($content, $site, config('heronstem.stand_in')),
        );

        return (new HtmlRenderer($sources))->render($content);
    }
}

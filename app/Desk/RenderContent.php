<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\StoredLinkTargets;
use App\Store\StoredPictures;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;

/** A document as HTML, with the links and pictures of its site. */
final class RenderContent
{
    public function html(Document $content, Site $site): string
    {
        return (new HtmlRenderer(new StoredLinkTargets($content, $site), new StoredPictures($content, $site)))->render($content);
    }
}

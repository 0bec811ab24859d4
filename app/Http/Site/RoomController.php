<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\SeenBy;
use App\Desk\ShowPage;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Visitors\Guest;
use Illuminate\Http\Response;

/** The page in its real layout with a place to write where its content stands: the editor puts itself in there. */
final readonly class RoomController
{
    public function __construct(private ShowPage $showPage, private PageView $pages, private SeenBy $seen)
    {
    }

    public function __invoke(Site $site, Page $page): Response
    {
        $shown = $this->seen->during(
            Guest::anybody(),
            $site,
            fn (): array => $this->showPage->of($page->showing($page->workingTexts()), $site, Document::blank(), as: Viewer::visitor()),
        );
        $html = $this->pages->html([...$shown, 'room' => true, 'inert' => ' inert']);

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
            // Styles may stand inline: the editor sets the width of pictures while they are written about.
            'Content-Security-Policy' => "default-src 'none'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; media-src 'self'; font-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'self'",
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\KeepDraft;
use App\Desk\ShowPage;
use App\Http\Api\Signed;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use Heronstem\Core\Menu\Viewer;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A page as visitors would see it with the content being worked on, one's own unsaved ones first. */
final readonly class PreviewController
{
    public function __construct(private KeepDraft $drafts, private ShowPage $showPage, private PageView $pages)
    {
    }

    public function __invoke(Request $request, Site $site, Page $page): Response
    {
        $user = Signed::in($request);
        $content = $this->drafts->presentable($page, $user) ?? PageContent::document($page->content);
        $shown = $this->showPage->of(
            $page->showing($page->workingTexts()),
            $site,
            $content,
            as: $request->query('as') === 'signed-in' ? Viewer::signedIn() : Viewer::visitor(),
        );
        $html = $this->pages->html([...$shown, 'preview' => true]);
        $styles = $shown['code']['styles'] === '' ? '' : " 'sha256-".base64_encode(hash('sha256', $shown['code']['styles'], true))."'";

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
            'Content-Security-Policy' => "default-src 'none'; style-src 'self'{$styles}; img-src 'self' {$site->origin} data:; media-src 'self' {$site->origin}; font-src 'self'; base-uri {$site->origin}; frame-ancestors 'self'",
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Permission;
use App\Http\Api\Signed;
use App\Models\Draft;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Menu\Viewer;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A page as visitors would see it with the content being worked on, one's own unsaved ones first. */
final readonly class PreviewController
{
    public function __construct(private Permission $permission, private PageView $pageView, private Views $views)
    {
    }

    public function __invoke(Request $request, Site $site, Page $page): Response
    {
        $user = Signed::in($request);
        $this->permission->toSee($user, $site);
        $draft = Draft::query()->where('page_id', $page->id)->where('user_id', $user->id)->first();
        $content = $this->readable($draft) ?? PageContent::document($page->content);
        $html = $this->views->make('site.page', [...$this->pageView->of($page->showing($page->workingTexts()), $site, $content, as: $request->query('as') === 'signed-in' ? Viewer::signedIn() : Viewer::visitor()), 'preview' => true])->render();

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex',
            'Content-Security-Policy' => "default-src 'none'; style-src 'self'; img-src 'self' {$site->origin} data:; font-src 'self'; base-uri {$site->origin}; frame-ancestors 'self'",
        ]);
    }

    /** A draft is kept unchecked; one that is not presentable yet, say for a picture without its text, is passed over. */
    private function readable(?Draft $draft): ?Document
    {
        try {
            return $draft === null ? null : Document::read($draft->document);
        } catch (InvalidDocument) {
            return null;
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\KeepDraft;
use App\Desk\LookedAt;
use App\Desk\SeenBy;
use App\Desk\ShowPage;
use App\Http\Api\Signed;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use Heronstem\Core\Menu\Hidden;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** A page as visitors would see it with the content being worked on, one's own unsaved ones first. */
final readonly class PreviewController
{
    public function __construct(
        private KeepDraft $drafts,
        private ShowPage $showPage,
        private PageView $pages,
        private LookedAt $looked,
        private SeenBy $seen,
    ) {
    }

    public function __invoke(Request $request, Site $site, Page $page): Response
    {
        $user = Signed::in($request);
        $content = $this->drafts->presentable($page, $user) ?? PageContent::document($page->content);
        $viewer = $request->query('as') === 'signed-in' ? Viewer::signedIn() : Viewer::visitor();
        $show = fn (): array => $this->seen->during(
            SeenBy::guest($viewer),
            $site,
            fn (): array => $this->showPage->of($page->showing($page->workingTexts()), $site, $content, as: $viewer),
        );
        $typed = $request->query('on');
        $moment = is_string($typed) && $typed !== '' ? Moment::read($typed, $site->zone, 'on') : null;
        $shown = $moment === null ? $show() : $this->looked->during($moment, fn (): array => $show());
        $note = $moment === null ? [] : ['previewNote' => $this->note($page, $site, $moment)];
        $html = $this->pages->html([...$shown, ...$note, 'preview' => true]);
        $styles = $shown['code']['styles'] === '' ? '' : " 'sha256-".base64_encode(hash('sha256', $shown['code']['styles'], true))."'";

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
            'Content-Security-Policy' => "default-src 'none'; style-src 'self'{$styles}; img-src 'self' {$site->origin} data:; media-src 'self' {$site->origin}; font-src 'self'; base-uri {$site->origin}; frame-ancestors 'self'",
        ]);
    }

    private function note(Page $page, Site $site, Moment $moment): string
    {
        $on = Carbon::createFromTimestamp($moment->seconds, $site->zone)->format('j F Y, H:i');
        $hidden = match ($page->hidden($moment)) {
            null => null,
            Hidden::NotYet => 'its time has not come yet',
            Hidden::Over => 'it has expired by then',
            Hidden::InReview => 'it is in review',
            Hidden::Draft => 'it is a draft',
            Hidden::Bin => 'it is in the bin',
            default => 'it is offline',
        };

        return $hidden === null ? "Preview on $on, with the content being worked on" : "Preview on $on. Visitors do not get this page then: $hidden.";
    }
}

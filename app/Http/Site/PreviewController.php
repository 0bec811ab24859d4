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
use Heronstem\Core\Visitors\Others;
use Heronstem\Core\Visitors\PageAccess;
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
        $viewer = self::viewer($request->query('as'));
        $show = fn (): array => $this->seen->during(
            SeenBy::guest($viewer),
            $site,
            fn (): array => $this->showPage->of($page->showing($page->workingTexts()), $site, $content, as: $viewer),
        );
        $typed = $request->query('on');
        $moment = is_string($typed) && $typed !== '' ? Moment::read($typed, $site->zone, 'on') : null;
        $shown = $moment === null ? $show() : $this->looked->during($moment, fn (): array => $show());
        $closed = $this->seen->access($page, $this->seen->gates($site));
        $notes = array_filter([
            $moment === null ? null : $this->note($page, $site, $moment),
            $closed?->admits(SeenBy::guest($viewer)) === false ? $this->closedNote($closed, $viewer) : null,
        ]);
        $note = $notes === [] ? [] : ['previewNote' => implode(' ', $notes)];
        $html = $this->pages->html([...$shown, ...$note, 'preview' => true]);
        $styles = $shown['code']['styles'] === '' ? '' : " 'sha256-".base64_encode(hash('sha256', $shown['code']['styles'], true))."'";

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
            'Content-Security-Policy' => "default-src 'none'; style-src 'self'{$styles}; img-src 'self' {$site->origin} data:; media-src 'self' {$site->origin}; font-src 'self'; base-uri {$site->origin}; frame-ancestors 'self'",
        ]);
    }

    /** `signed-in`, or `role:` and a role of visitors; everything else is a visitor of whom nothing is known. */
    private static function viewer(mixed $as): Viewer
    {
        return match (true) {
            $as === 'signed-in' => Viewer::signedIn(),
            is_string($as) && str_starts_with($as, 'role:') => Viewer::signedIn(mb_scrub(substr($as, 5), 'UTF-8')),
            default => Viewer::visitor(),
        };
    }

    /** What whoever looks gets in place of the page. */
    private function closedNote(PageAccess $access, Viewer $viewer): string
    {
        $instead = match ($access->answerTo(SeenBy::guest($viewer))) {
            Others::SignIn => 'the form to sign in',
            Others::Password => 'the form for the password',
            Others::Refused => 'a page that says that it is closed (403)',
            Others::Missing => 'what stands where there is no page (404)',
        };

        return "Closed to whoever is looked as here: the page is open to {$access->inWords()}. They get $instead.";
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

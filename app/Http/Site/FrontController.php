<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\AnswerVisitor;
use App\Desk\Design\SiteDesign;
use App\Desk\Files\WhoSeesFile;
use App\Desk\Outside\TellEngines;
use App\Desk\SeenBy;
use App\Models\Page;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Visitors\Gates;
use Heronstem\Core\Visitors\Guest;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\ViewException;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Answers every request to a public site: the system's own addresses, files, then whatever the ledger says. */
final readonly class FrontController
{
    public function __construct(
        private AnswerVisitor $visitors,
        private VisitorAccount $account,
        private PageResponse $pages,
        private FileResponse $files,
        private SystemResponse $system,
        private SearchResponse $search,
        private TellEngines $engines,
        private SeenBy $seen,
        private Doorway $doorway,
        private WhoSeesFile $whoSees,
        private SecureTransport $secure,
        private SiteDesign $design,
        private KeepPage $keep,
    ) {
    }

    public function answer(Request $request, Site $site): AnyResponse
    {
        $response =
            $this->secure->before($request, $site) ?? $this->keep->around($request, $site, fn (): AnyResponse => $this->inDesign($request, $site));
        $this->secure->mark($response, $request, $site);
        foreach (SitePolicy::headers() as $name => $value) {
            $response->headers->has($name) || $response->headers->set($name, $value);
        }

        return $response->prepare($request);
    }

    /** By the site's own design; where that fails, as it ships: nobody is to get nothing for a slip in a template. */
    private function inDesign(Request $request, Site $site): AnyResponse
    {
        try {
            return $this->design->during($site, fn (): AnyResponse => $this->respond($request, $site));
        } catch (ViewException $fault) {
            if ($site->design === '' || ! $request->isMethodSafe()) {
                throw $fault;
            }
            report($fault);

            return $this->respond($request, $site);
        }
    }

    private function respond(Request $request, Site $site): AnyResponse
    {
        $asked = $request->server->getString('REQUEST_URI', '/');
        $visitor = $this->account->signedIn($request, $site);
        $gates = $this->seen->gates($site);
        $guest = $this->doorway->guest($request, $visitor);
        if (preg_match('#^/_account(?:[/?]|$)#', $asked) === 1) {
            return $this->account($request, $site, $visitor, $gates, $guest, $asked);
        }
        $response = $this->seen->during(
            $guest,
            $site,
            fn (): AnyResponse => $this->content($request, $site, $visitor, $gates, $guest, $asked),
            $gates,
        );
        $now = Moment::at(now()->getTimestamp());
        $isPage =
            str_starts_with((string) $response->headers->get('Content-Type'), 'text/html') &&
            ! $response->headers->hasCacheControlDirective('no-store');
        if ($isPage && $gates->openTo($guest, $now) !== $gates->openTo(Guest::anybody(), $now)) {
            // Menus and lists hold what others do not see.
            $response->headers->set('Cache-Control', 'private, no-cache');
        }

        return $response;
    }

    private function account(Request $request, Site $site, ?Visitor $visitor, Gates $gates, Guest $guest, string $asked): AnyResponse
    {
        $frame = fn (): array => $this->seen->during($guest, $site, fn (): array => $this->pages->frame($site, $visitor), $gates);
        $address = rtrim((string) strtok($asked, '?'), '/');
        if ($address !== '/_account/open' || ! $request->isMethod('POST') || ! VisitorAccount::isFromHere($request, $site)) {
            return $this->account->answer($request, $site, $address, $visitor, $frame);
        }
        $to = Doorway::wayBack($request->request->all()['to'] ?? null);
        $resolution = $this->visitors->resolve($to, $site);
        $page = $resolution->page === null ? null : $this->visitors->pageOf($resolution, $site, $visitor);

        return $this->seen->during($guest, $site, fn (): AnyResponse => $this->doorway->open($request, $site, $page, $gates, $visitor), $gates);
    }

    private function content(Request $request, Site $site, ?Visitor $visitor, Gates $gates, Guest $guest, string $asked): AnyResponse
    {
        if (preg_match('#^/_search(?:\?|$)#', $asked) === 1) {
            return $this->search->respond($request, $site, fn (): array => $this->pages->frame($site, $visitor));
        }
        if (preg_match('#^/_near(?:\?|$)#', $asked) === 1) {
            return $this->pages->near($request, $site, $visitor);
        }
        $key = preg_match('#^/[0-9a-f]{32}\.txt$#D', $asked) === 1 ? $this->engines->keyAt($asked, $site) : null;
        if ($key !== null) {
            return new Response($key, 200, ['Content-Type' => 'text/plain; charset=utf-8', 'X-Robots-Tag' => 'noindex']);
        }
        if (str_starts_with($asked, SiteDesign::PATH)) {
            return DesignFile::of($site, substr((string) strtok($asked, '?'), strlen(SiteDesign::PATH)), $request) ??
                $this->pages->missed('/_design', $site, $visitor);
        }
        if (preg_match('#^/_files/([0-9A-Z]{26})/([^?]*)#', $asked, $file) === 1) {
            return $this->file($request, $file[1], $site, $visitor, $gates, $guest, $file[2]);
        }
        $resolution = $this->visitors->resolve($asked, $site);
        $this->visitors->note(
            $resolution,
            RequestOrigin::of((string) $request->userAgent(), (string) $request->headers->get('Referer', ''), $request->getHost()),
            $site,
        );
        $sends = $resolution->sendsWith();
        // What redirects lead to is looked at only where something may be closed; a pointer that is closed itself leads nobody on.
        $leads = $sends !== null && ! $gates->isEmpty();
        $page = $resolution->page === null || ($sends !== null && ! $leads) ? null : $this->visitors->pageOf($resolution, $site, $visitor);
        $before = fn (?Page $at): ?AnyResponse => $at === null
            ? null
            : $this->doorway->before($at, $site, $gates, $guest, $asked, $resolution->normal, $visitor);
        $shut = $leads ? $before($this->visitors->pointerAt($resolution, $site)) : null;
        $closed = $shut ?? $before($page);
        // A redirect to what nobody is to know of would tell of it; every other is followed, and told there.
        $isShut = $closed !== null && ($sends === null || $shut !== null || $closed->getStatusCode() === 404);
        $secured =
            $page === null || ($isShut && $closed->getStatusCode() === 404)
                ? null
                : $this->secure->beforePage(
                    $request,
                    $site,
                    $this->seen->access($page, $gates),
                    $sends === null ? $asked : (string) $resolution->location,
                    $sends === null || in_array($sends, [301, 308], true),
                );
        if ($secured !== null) {
            return $secured;
        }
        if ($isShut && $request->isMethodCacheable()) {
            return $closed;
        }

        return match (true) {
            // What is sent to an address that moved goes along, whatever its method.
            $sends !== null && ! $isShut => new Response('', $sends, ['Location' => (string) $resolution->location, 'Cache-Control' => 'no-cache']),
            ! $request->isMethodCacheable() => new Response('Only GET and HEAD are answered here.', 405, [
                'Allow' => 'GET, HEAD',
                'Content-Type' => 'text/plain; charset=utf-8',
            ]),
            $resolution->pause !== null => $this->pages->pause($resolution, $site, $visitor),
            $resolution->status !== 200 => $this->pages->missed(
                $resolution->normal === '' ? '/' : $resolution->normal,
                $site,
                $visitor,
                $resolution->status === 410 ? 410 : 404,
                KeepPage::isFromAnybody($request),
            ),
            $page === null => $this->system->respond($resolution->normal, $site),
            default => $this->page($request, $page, $site, $visitor, $gates, $guest),
        };
    }

    private function page(Request $request, Page $page, Site $site, ?Visitor $visitor, Gates $gates, Guest $guest): AnyResponse
    {
        if ($page->kind === PageKind::Download) {
            $response = $this->file($request, (string) $page->target()?->value, $site, $visitor, $gates, $guest);
            $response->headers->add($this->pages->headersOf($page, $site));
        } else {
            $response = $this->pages->of($request, $page, $site, $visitor);
        }
        if ($this->seen->access($page, $gates)?->isEveryone() === false) {
            $response->headers->add(['Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex']);
        }

        return $response;
    }

    private function file(
        Request $request,
        string $ulid,
        Site $site,
        ?Visitor $visitor,
        Gates $gates,
        Guest $guest,
        ?string $name = null,
    ): AnyResponse {
        $file = $this->visitors->file($ulid, $site);
        if ($file === null || ! $this->whoSees->admits($file, $site, $guest, $gates)) {
            return $this->pages->missed('/_files', $site, $visitor);
        }
        $response = $this->files->of($file, $request, $name);
        if (! $this->whoSees->admits($file, $site, Guest::anybody(), $gates)) {
            $response->headers->add(['Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex']);
        }

        return $response;
    }
}

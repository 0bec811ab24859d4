<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\AnswerVisitor;
use App\Desk\Outside\TellEngines;
use App\Models\Page;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Tree\PageKind;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
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
    ) {
    }

    public function answer(Request $request, Site $site): AnyResponse
    {
        $response = $this->respond($request, $site);
        $response->headers->add([
            'Content-Security-Policy' => (string) $response->headers->get('Content-Security-Policy', SitePolicy::plain()->header()),
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => 'strict-origin-when-cross-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
        ]);

        return $response->prepare($request);
    }

    private function respond(Request $request, Site $site): AnyResponse
    {
        $asked = $request->server->getString('REQUEST_URI', '/');
        $visitor = $this->account->signedIn($request, $site);
        if (str_starts_with($asked, '/_account/')) {
            return $this->account->answer($request, $site, (string) strtok($asked, '?'), fn (): array => $this->pages->frame($site, $visitor));
        }
        if (preg_match('#^/_search(?:\?|$)#', $asked) === 1) {
            return $this->search->respond($request, $site, fn (): array => $this->pages->frame($site, $visitor));
        }
        $key = preg_match('#^/[0-9a-f]{32}\.txt$#D', $asked) === 1 ? $this->engines->keyAt($asked, $site) : null;
        if ($key !== null) {
            return new Response($key, 200, ['Content-Type' => 'text/plain; charset=utf-8', 'X-Robots-Tag' => 'noindex']);
        }
        if (preg_match('#^/_files/([0-9A-Z]{26})/([^?]*)#', $asked, $file) === 1) {
            return $this->file($request, $file[1], $site, $visitor, $file[2]);
        }
        $resolution = $this->visitors->resolve($asked, $site);
        $this->visitors->note(
            $resolution,
            RequestOrigin::of((string) $request->userAgent(), (string) $request->headers->get('Referer', ''), $request->getHost()),
            $site,
        );
        $sends = $resolution->sendsWith();

        return match (true) {
            // What is sent to an address that moved goes along, whatever its method.
            $sends !== null => new Response('', $sends, ['Location' => (string) $resolution->location, 'Cache-Control' => 'no-cache']),
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
            ),
            $resolution->page === null => $this->system->respond($resolution->normal, $site),
            default => $this->page($request, $this->visitors->pageOf($resolution, $site, $visitor), $site, $visitor),
        };
    }

    private function page(Request $request, Page $page, Site $site, ?Visitor $visitor): AnyResponse
    {
        if ($page->kind !== PageKind::Download) {
            return $this->pages->of($request, $page, $site, $visitor);
        }
        $file = $this->file($request, (string) $page->target()?->value, $site, $visitor);
        $file->headers->add($this->pages->headersOf($page, $site));

        return $file;
    }

    private function file(Request $request, string $ulid, Site $site, ?Visitor $visitor, ?string $name = null): AnyResponse
    {
        $file = $this->visitors->file($ulid, $site);

        return $file === null ? $this->pages->missed('/_files', $site, $visitor) : $this->files->of($file, $request, $name);
    }
}

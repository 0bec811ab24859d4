<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Resolvers;
use App\Models\File;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Models\Visitor;
use App\Store\HitLog;
use App\Store\NearAddresses;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageState;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Database\Connection;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Answers every request to a public site: the system's own addresses, files, then whatever the ledger says. */
final readonly class FrontController
{
    private const POLICY = "default-src 'none'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    public function __construct(
        private Connection $db,
        private Views $views,
        private PageView $pageView,
        private Sitemap $sitemap,
        private NearAddresses $near,
        private FileResponse $files,
        private VisitorAccount $account,
        private Resolvers $resolvers,
        private PausePage $pause,
        private HitLog $hits,
    ) {
    }

    public function answer(Request $request, Site $site): AnyResponse
    {
        $response = $this->respond($request, $site);
        $response->headers->add([
            'Content-Security-Policy' => self::POLICY, 'X-Content-Type-Options' => 'nosniff', 'Referrer-Policy' => 'strict-origin-when-cross-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
        ]);

        return $response->prepare($request);
    }

    private function respond(Request $request, Site $site): AnyResponse
    {
        $asked = $request->server->getString('REQUEST_URI', '/');
        $visitor = $this->account->signedIn($request, $site);
        if (str_starts_with($asked, '/_account/')) {
            return $this->account->answer($request, $site, (string) strtok($asked, '?'), fn (): array => $this->pageView->frame($site, $visitor));
        }
        if (preg_match('#^/_files/([0-9A-Z]{26})/#', $asked, $file) === 1) {
            return $this->file($file[1], $site, $visitor);
        }
        $resolution = $this->resolvers->for($site)->resolve($asked);
        $this->note($resolution, $request, $site);
        $sends = $resolution->sendsWith();
        // What is sent to an address that moved goes along, whatever its method.
        if (! $request->isMethodCacheable() && $sends === null) {
            return new Response('Only GET and HEAD are answered here.', 405, ['Allow' => 'GET, HEAD', 'Content-Type' => 'text/plain; charset=utf-8']);
        }
        if ($sends !== null) {
            return new Response('', $sends, ['Location' => (string) $resolution->location, 'Cache-Control' => 'no-cache']);
        }
        if ($resolution->pause !== null) {
            return $this->pause->respond($resolution, $site, $this->pageView->frame($site, $visitor));
        }
        if ($resolution->status !== 200) {
            return $this->missed($resolution->normal === '' ? '/' : $resolution->normal, $site, $visitor, $resolution->status === 410 ? 410 : 404);
        }
        if ($resolution->page === null) {
            return $this->system($resolution->normal, $site);
        }
        $page = $this->startOf($visitor, $resolution->page, $site) ?? Page::query()->where('ulid', $resolution->page)->firstOrFail();

        return $page->kind === PageKind::Download ? $this->file((string) $page->target()?->value, $site, $visitor) : $this->page($request, $page, $site, $visitor);
    }

    private function note(Resolution $resolution, Request $request, Site $site): void
    {
        $isMissed = $resolution->status === 404 && $resolution->rule === null && $resolution->sendsWith() === null;
        // A former address is no rule: its uses are counted under its key.
        $rules = $resolution->rules();
        $isFormer = $rules === [] && $resolution->isMoved($site->rules());
        if (! $isMissed && ! $isFormer && $rules === []) {
            return;
        }
        $asker = RequestOrigin::of((string) $request->userAgent(), (string) $request->headers->get('Referer', ''), $request->getHost());
        foreach ($rules as $rule) {
            $this->hits->used($site, $rule, $asker);
        }
        if ($isFormer) {
            $this->hits->used($site, HitLog::at(NormalForm::key($resolution->normal, $site->rules())), $asker);
        }
        if ($isMissed && $resolution->normal !== '') {
            $this->hits->missed($site, $resolution->normal, $asker);
        }
    }

    /** What somebody signed in gets in place of the visitors' start page. */
    private function startOf(?Visitor $visitor, string $asked, Site $site): ?Page
    {
        if ($visitor === null || $site->start_page_signed_in_id === null) {
            return null;
        }
        $start = $this->db->table('pages')->where('id', $site->start_page_id)->value('ulid');
        $own = $start === $asked ? Page::query()->find($site->start_page_signed_in_id) : null;

        return $own?->isVisible() === true ? $own : null;
    }

    private function page(Request $request, Page $page, Site $site, ?Visitor $visitor): Response
    {
        $kept = PageContent::query()->find($page->id);
        // In the minute before its schedule is carried out a page shows what it will go live with.
        $content = $page->state === PageState::Live ? $kept?->liveDocument() ?? Document::blank() : PageContent::document($kept);
        $html = $this->views->make('site.page', $this->pageView->of($page, $site, $content, $visitor))->render();
        $response = new Response($html, 200, ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => $visitor === null ? 'public, max-age=0, must-revalidate' : 'private, max-age=0, must-revalidate', 'Vary' => 'Cookie']);
        $response->setEtag(sha1($html));
        $response->isNotModified($request);

        return $response;
    }

    private function missed(string $address, Site $site, ?Visitor $visitor, int $status = 404): Response
    {
        $html = $this->views->make('site.missed', [...$this->pageView->frame($site, $visitor), 'address' => $address, 'isGone' => $status === 410, 'near' => $this->near->to($address, $site)])->render();

        return new Response($html, $status, ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'no-cache']);
    }

    private function system(string $address, Site $site): AnyResponse
    {
        return match ($address) {
            '/robots.txt' => new Response("User-agent: *\nDisallow:\n\nSitemap: {$site->origin}/sitemap.xml\n", 200, ['Content-Type' => 'text/plain; charset=utf-8']),
            '/favicon.ico' => new Response((string) file_get_contents(resource_path('css/mark.svg')), 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'public, max-age=86400']),
            default => $this->sitemap->respond($address, $site),
        };
    }

    private function file(string $ulid, Site $site, ?Visitor $visitor): AnyResponse
    {
        $file = File::query()->where('site_id', $site->id)->where('ulid', $ulid)->first();

        return $file === null ? $this->missed('/_files', $site, $visitor) : $this->files->of($file);
    }
}

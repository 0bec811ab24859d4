<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\AnswerVisitor;
use App\Desk\Cache\KeepPages;
use App\Desk\RenderContent;
use App\Desk\ShowPage;
use App\Models\Page;
use App\Models\Site;
use App\Models\Visitor;
use App\Short\MissedPages;
use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Tree\Showing;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The pages of the public site as visitors get them: a page, one before a redirect, and what stands where nothing is. */
final readonly class PageResponse
{
    /** Longest address that similar ones are looked for, in letters. */
    private const LONGEST = 500;

    public function __construct(
        private Views $views,
        private PageView $pages,
        private ShowPage $view,
        private AnswerVisitor $visitors,
        private RenderContent $render,
        private KeepPages $kept,
        private MissedPages $missed,
    ) {
    }

    /** @return array<string, mixed> what every layout shows */
    public function frame(Site $site, ?Visitor $visitor): array
    {
        return $this->view->frame($site, $visitor);
    }

    public function of(Request $request, Page $page, Site $site, ?Visitor $visitor): Response
    {
        $shown = $this->view->of($page, $site, $this->visitors->contentOf($page), $visitor, query: $request->query());
        $html = $this->pages->html($shown);
        $response = new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => $visitor === null ? 'public, max-age=0, must-revalidate' : 'private, max-age=0, must-revalidate',
            'Vary' => 'Cookie',
            'Content-Security-Policy' => self::policy($html, $shown['code']['styles'], $shown['code']['head'])->header(),
        ]);
        $showing = Showing::stored($page->showing);
        $seconds = ($showing->caching ?? $site->keptFor())->seconds;
        if ($seconds === null) {
            $response->headers->set('Cache-Control', 'no-store');
        } elseif ($seconds > 0 && $visitor === null) {
            $response->headers->set(KeepPage::SECONDS, (string) $seconds);
        }
        $reload = $showing->reload;
        if ($reload !== null && ! $request->query->has('still')) {
            // As the HTML Standard has it; the page says so, and offers itself without.
            $response->headers->set('Refresh', (string) (60 * $reload));
        }
        $response->setEtag(sha1($html));
        $response->isNotModified($request);

        return $response;
    }

    /** It opens for the code of the page and for the hosts of the films that are on it, and for nothing else. */
    private static function policy(string $html, string $styles, HeadLines $head): SitePolicy
    {
        $policy = SitePolicy::plain()->withCode($styles, $head);

        return str_contains($html, ' data-film="') && preg_match_all('# data-film="(https?://[^/"]+)/#', $html, $hosts) > 0
            ? $policy->withFilms(array_values(array_unique($hosts[1])))
            : $policy;
    }

    /** @return array<string, string> what a file with a place in the tree tells search engines, which has no head: RFC 8288, RFC 6596 */
    public function headersOf(Page $page, Site $site): array
    {
        $tags = $this->view->head($page, $site);

        return array_filter([
            'Link' => $tags->canonical === null ? '' : "<{$tags->canonical}>; rel=\"canonical\"",
            'X-Robots-Tag' => $tags->robots,
        ]);
    }

    /** @param  bool  $isForAll  whether everybody would get the same */
    public function missed(string $address, Site $site, ?Visitor $visitor, int $status = 404, bool $isForAll = false): Response
    {
        $render = fn (): string => $this->views
            ->make('site.missed', [
                ...$this->frame($site, $visitor),
                'address' => MissedPages::ADDRESS,
                'inLink' => MissedPages::IN_LINK,
                'isGone' => $status === 410,
            ])
            ->render();
        $file = $isForAll ? $this->missed->file($site->id, $status) : null;
        if ($file === null) {
            $html = $render();
        } else {
            [$html, $seconds] = $this->kept->around($site, $file, $render, static fn (): bool => true);
            $seconds > 0 && $this->missed->keep($file, $html, now()->getTimestamp() + $seconds);
        }

        return new Response(MissedPages::at($address, $html), $status, ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'no-cache']);
    }

    /** Pages that were probably meant, for whoever looks at an address where nothing is. */
    public function near(Request $request, Site $site, ?Visitor $visitor): Response
    {
        $address = mb_substr(mb_scrub($request->query->getString('to', '/')), 0, self::LONGEST);
        $shown = ['site' => $site, 'address' => $address, 'near' => $this->visitors->near($address, $site)];
        $view = $request->query->has('part')
            ? $this->views->make('site.near-list', $shown)
            : $this->views->make('site.near', [...$this->frame($site, $visitor), ...$shown]);

        return new Response($view->render(), 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'private, max-age=60',
            'X-Robots-Tag' => 'noindex',
        ]);
    }

    public function pause(Resolution $resolution, Site $site, ?Visitor $visitor): Response
    {
        $pause = $resolution->pause ?? throw new \LogicException('There is no pause to show.');
        $html = $this->views
            ->make('site.pause', [
                ...$this->frame($site, $visitor),
                'seconds' => $pause->seconds,
                'onward' => (string) $resolution->onward,
                'message' => $this->render->html($pause->message, $site),
            ])
            ->render();

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-cache',
            'X-Robots-Tag' => 'noindex',
            'Refresh' => "{$pause->seconds}; url={$resolution->onward}",
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\AnswerVisitor;
use App\Desk\SearchSite;
use App\Models\Site;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Search\SearchWords;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The site's own search as visitors get it: a form, results with what was found in its context, no scripts. */
final readonly class SearchResponse
{
    public function __construct(private SearchSite $search, private AnswerVisitor $visitors, private Views $views)
    {
    }

    /** @param  \Closure(): array<string, mixed>  $frame what every layout shows */
    public function respond(Request $request, Site $site, \Closure $frame): Response
    {
        if (! $request->isMethodCacheable()) {
            return new Response('Only GET and HEAD are answered here.', 405, ['Allow' => 'GET, HEAD', 'Content-Type' => 'text/plain; charset=utf-8']);
        }
        $query = $request->query->all();
        $words = SearchWords::of(is_string($query['q'] ?? null) ? $query['q'] : '');
        $piece = is_string($query['page'] ?? null) && ctype_digit($query['page']) ? (int) substr($query['page'], 0, 6) : 1;
        $found = $this->search->for($site, $words, $piece);
        // Turning the pages of one search is no search of its own.
        if (! $words->isEmpty() && $found->piece === 1) {
            $this->visitors->noteSearch(
                $found,
                RequestOrigin::of((string) $request->userAgent(), (string) $request->headers->get('Referer', ''), $request->getHost()),
                $site,
            );
        }

        return new Response(
            $this->views->make('site.search', [...$frame(), 'found' => $found, 'isAsked' => array_key_exists('q', $query)])->render(),
            200,
            [
                'Content-Type' => 'text/html; charset=utf-8',
                'Cache-Control' => 'no-cache',
                'X-Robots-Tag' => 'noindex',
            ],
        );
    }
}

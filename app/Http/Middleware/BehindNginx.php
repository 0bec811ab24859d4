<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Cache\ForgetPages;
use App\Http\Site\KeepPage;
use App\Http\WatchedStatements;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What the web server in front is told beside what visitors are told: how long it may keep an answer itself. It reads that from
 * Cache-Control, and passes on what stands in X-Visitor-Cache-Control. What a request changed is forgotten before it is answered.
 */
final readonly class BehindNginx
{
    /** Set by nginx alone: under what it would keep the answer. */
    public const KEY = 'PAGE_KEY';

    public function __construct(private ForgetPages $forget)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        if (! $request->server->has(self::KEY)) {
            return $next($request);
        }
        $began = hrtime(true);
        $statements = new WatchedStatements();
        $response = $next($request);
        $statements->said($request, $response, (hrtime(true) - $began) / 1e9);
        if (! $request->isMethodSafe()) {
            $this->forget->now();
        }
        $kept = $response->headers->get(KeepPage::HEADER);
        $response->headers->remove(KeepPage::HEADER);
        $response->headers->set('X-Visitor-Cache-Control', (string) $response->headers->get('Cache-Control'));
        $response->headers->set('Cache-Control', $kept ?? 'no-store');

        return $response;
    }
}

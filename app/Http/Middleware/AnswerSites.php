<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Site\FrontController;
use App\Models\Site;
use Heronstem\Core\Address\Host;
use Heronstem\Core\Address\InvalidAddress;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Requests to a site's own host and port are the public site's; everything else is the editor's. */
final readonly class AnswerSites
{
    public function __construct(private FrontController $front)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $site = $this->siteAt($request->getHttpHost());

        return $site === null ? $next($request) : $this->front->answer($request, $site);
    }

    private function siteAt(string $httpHost): ?Site
    {
        try {
            $host = Host::of($httpHost)->authority();
        } catch (InvalidAddress) {
            return null;
        }

        return Site::query()->whereIn('origin', ["http://$host", "https://$host"])->first();
    }
}

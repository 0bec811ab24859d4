<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Cache\Replica;
use App\Http\PlainPage;
use App\Http\Site\FrontController;
use App\Http\Site\PlanPreview;
use App\Models\Site;
use App\Short\Anybody;
use Heronstem\Core\Address\Host;
use Heronstem\Core\Address\InvalidAddress;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Requests to a site's own host and port are the public site's; everything else is the editor's. */
final readonly class AnswerSites
{
    /** The public site is put together only for requests that are its own. */
    public function __construct(private Container $container)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $site = $this->siteAt($request->getHttpHost());

        if ($site !== null) {
            $request->attributes->set('for', 'site');

            // Made once the plan is laid over the site: it must not have read it before.
            $answer = fn (Site $as): Response => $this->fromReplica(
                $request,
                fn (): Response => $this->container->make(FrontController::class)->answer($request, $as),
            );

            return PlanPreview::mayConcern($request) ? $this->container->make(PlanPreview::class)->answer($request, $site, $answer) : $answer($site);
        }
        $host = strtolower(trim($request->getHost(), '[]'));

        // A name that nobody gave to the editor is not answered (RFC 9110, 15.5.20): links in answers would take it over.
        return in_array($host, $this->editorHosts(), true)
            ? $next($request)
            : PlainPage::of(421, 'There is no site here', 'This address is not one of this installation.');
    }

    /**
     * Whoever changes nothing, and whom nothing tells apart, is answered from a replica where there is one.
     *
     * @param  \Closure(): Response  $answer
     */
    private function fromReplica(Request $request, \Closure $answer): Response
    {
        return $request->isMethodSafe() && Anybody::asks($request->server->all(), $request->cookies->all())
            ? $this->container->make(Replica::class)->during($answer)
            : $answer();
    }

    /** @return list<string> */
    private function editorHosts(): array
    {
        $named = array_map(trim(...), explode(',', (string) config('heronstem.editor_hosts')));

        return array_values(
            array_filter([
                '127.0.0.1',
                'localhost',
                '::1',
                strtolower(trim((string) parse_url((string) config('app.url'), PHP_URL_HOST), '[]')),
                ...array_map(strtolower(...), $named),
            ]),
        );
    }

    private function siteAt(string $httpHost): ?Site
    {
        try {
            $host = Host::of($httpHost)->authority();
        } catch (InvalidAddress) {
            return null;
        }

        return Site::query()
            ->whereIn('origin', ["http://$host", "https://$host"])
            ->first();
    }
}

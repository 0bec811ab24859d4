<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Watch\Metrics;
use App\Desk\Watch\ReadyNode;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Answer;
use Symfony\Component\HttpFoundation\Response;

/** What stands on the port for those who watch, which is nobody else's: whether the node lives, whether it can answer, and its figures. */
final readonly class AnswerWatch
{
    public function __construct(private Container $container)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        if ($request->server->get('WATCH') !== '1') {
            return $next($request);
        }
        $response = match ($request->getPathInfo()) {
            '/healthz' => new Answer("ok\n", 200, ['Content-Type' => 'text/plain; charset=utf-8']),
            '/readyz' => $this->ready(),
            '/metrics' => new Answer($this->container->make(Metrics::class)->text(), 200, [
                'Content-Type' => 'text/plain; version=0.0.4; charset=utf-8',
            ]),
            default => new Answer("Here are /healthz, /readyz and /metrics.\n", 404, ['Content-Type' => 'text/plain; charset=utf-8']),
        };
        $response->headers->set('Cache-Control', 'no-store');

        return $response->prepare($request);
    }

    private function ready(): Response
    {
        $problems = $this->container->make(ReadyNode::class)->problems();

        return new JsonResponse(
            ['ready' => array_filter($problems) === [], 'checks' => array_map(static fn (?string $problem): string => $problem ?? 'ok', $problems)],
            array_filter($problems) === [] ? 200 : 503,
        );
    }
}

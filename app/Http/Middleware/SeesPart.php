<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\ReadSeenPart;
use App\Desk\RightsOn;
use App\Http\Api\Signed;
use App\Models\Site;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Of a site of which somebody sees a part, what they read is of that part; a page elsewhere is not there. */
final readonly class SeesPart
{
    public function __construct(private RightsOn $rights, private ReadSeenPart $part)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $site = $request->route('site');
        if (! $site instanceof Site) {
            return $next($request);
        }
        $held = $this->rights->held(Signed::in($request), $site);

        return $this->part->during($held, function () use ($request, $next, $held): Response {
            foreach (['page', 'entry'] as $named) {
                if (! $this->part->includes($held, $request->route($named))) {
                    throw new NotFoundHttpException();
                }
            }
            $response = $next($request);
            if ($response instanceof StreamedResponse) {
                // What is streamed is read only once the answer has begun.
                $stream = $response->getCallback();
                $response->setCallback(fn () => $this->part->during($held, static fn (): mixed => $stream === null ? null : $stream()));
            }

            return $response;
        });
    }
}

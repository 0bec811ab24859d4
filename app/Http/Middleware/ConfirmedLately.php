<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Accounts\SignedInLately;
use App\Desk\ConfirmFirst;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What holds for a whole site, or for one's own account, is changed by whoever has shown lately that it is them. */
final readonly class ConfirmedLately
{
    public function __construct(private SignedInLately $lately)
    {
    }

    /** @throws ConfirmFirst */
    public function handle(Request $request, \Closure $next): Response
    {
        if (! $request->isMethodSafe()) {
            $this->lately->guard();
        }

        return $next($request);
    }
}

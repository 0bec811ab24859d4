<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** An account is looked after by its person: no token makes another, wider or longer one. */
final readonly class SessionOnly
{
    /** @throws AuthorizationException */
    public function handle(Request $request, \Closure $next): Response
    {
        if ($request->bearerToken() !== null) {
            throw new AuthorizationException('A token does not look after the account it belongs to. Sign in with the browser for this.');
        }

        return $next($request);
    }
}

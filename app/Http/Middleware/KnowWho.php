<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Auth\AuthManager;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whoever sends a personal token is the one it was made for; everybody else is who signed in with this browser. */
final readonly class KnowWho
{
    public function __construct(private AuthManager $auth)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $guard = $request->bearerToken() === null ? 'web' : 'sanctum';
        if ($this->auth->guard($guard)->guest()) {
            throw new AuthenticationException();
        }
        $this->auth->shouldUse($guard);

        return $next($request);
    }
}

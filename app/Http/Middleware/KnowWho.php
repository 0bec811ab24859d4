<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Accounts\SignedInLately;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Auth\AuthManager;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whoever sends a personal token is the one it was made for; everybody else is who signed in with this browser. */
final readonly class KnowWho
{
    /** Where a session keeps when its person signed in, or confirmed it: seconds since 1970. */
    public const SIGNED_IN = 'signed_in_at';

    public function __construct(private AuthManager $auth, private SignedInLately $lately)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $guard = $request->bearerToken() === null ? 'web' : 'sanctum';
        if ($this->auth->guard($guard)->guest()) {
            throw new AuthenticationException();
        }
        $this->auth->shouldUse($guard);
        if ($guard === 'web') {
            $at = $request->session()->get(self::SIGNED_IN);
            $this->lately->session(is_int($at) ? $at : null);
        } else {
            $this->lately->token();
        }

        return $next($request);
    }
}

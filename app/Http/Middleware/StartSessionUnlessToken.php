<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/** A request that carries a personal token has no session: none is begun, and none of the browser's is used. */
final class StartSessionUnlessToken extends StartSession
{
    /** @param  Request  $request */
    public function handle($request, \Closure $next): mixed
    {
        return $request->bearerToken() === null ? parent::handle($request, $next) : $next($request);
    }
}

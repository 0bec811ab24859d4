<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** A request that carries a personal token proves by it that no other site's form sent it. */
final class VerifyCsrfUnlessToken extends ValidateCsrfToken
{
    protected function inExceptArray($request): bool
    {
        return $request->bearerToken() !== null && ! $request->hasPreviousSession();
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api;

use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\PreconditionRequiredHttpException;

/** What a request says that it started from (If-Match: RFC 9110, 13.1.1), without which nothing is saved over what others did. */
final class StartedFrom
{
    /** @param  string  $sent  what is to be sent, in words */
    public static function in(Request $request, string $sent): string
    {
        return $request->headers->get('If-Match') ??
            throw new PreconditionRequiredHttpException("Say which version you started from: send $sent in If-Match.");
    }
}

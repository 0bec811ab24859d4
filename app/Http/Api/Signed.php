<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Models\User;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;

/** The person behind a request. */
final class Signed
{
    /** @throws AuthenticationException */
    public static function in(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : throw new AuthenticationException();
    }
}

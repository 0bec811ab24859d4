<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Http\Api\Schema\Session;
use App\Models\User;
use Illuminate\Auth\AuthManager;
use Illuminate\Cache\RateLimiter;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Signing in and out. */
final readonly class SessionController
{
    public function __construct(private AuthManager $auth, private RateLimiter $limiter)
    {
    }

    #[OA\Get(path: '/session', operationId: 'session', description: 'Who is signed in; no content when nobody is.', responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Session')), new OA\Response(response: 204, description: 'Nobody is signed in'), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function show(): JsonResponse|Response
    {
        $user = $this->auth->guard('web')->user() ?? $this->auth->guard('sanctum')->user();

        return $user instanceof User ? new JsonResponse(Session::of($user)) : new Response(status: 204);
    }

    #[OA\Post(path: '/session', operationId: 'signIn', description: 'Signs in; five wrong attempts a minute for one mail address.', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email', 'password'], type: 'object', properties: [new OA\Property('email', type: 'string'), new OA\Property('password', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Session')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(
            ['email' => ['required', 'string', 'max:255'], 'password' => ['required', 'string', 'max:255']],
            ['email.required' => 'Type the mail address you were invited with.', 'password.required' => 'Type your password.'],
        );
        $attempts = 'sign-in:'.Str::lower($given['email']).'|'.$request->ip();
        if ($this->limiter->tooManyAttempts($attempts, (int) config('heronstem.sign_in_attempts'))) {
            $seconds = $this->limiter->availableIn($attempts);

            return Problem::of(429, 'Too many attempts', "Too many wrong attempts. Try again in $seconds seconds.")->withHeaders(['Retry-After' => $seconds]);
        }
        $guard = $this->guard();
        if (! $guard->attempt(['email' => Str::lower($given['email']), 'password' => $given['password']])) {
            $this->limiter->hit($attempts);
            throw ValidationException::withMessages(['password' => 'Mail address and password do not go together. Check both; capitals count in the password.']);
        }
        $this->limiter->clear($attempts);
        $request->session()->regenerate();
        $user = $guard->user();

        return new JsonResponse(Session::of($user instanceof User ? $user : throw new \LogicException('Nobody is signed in.')));
    }

    #[OA\Delete(path: '/session', operationId: 'signOut', description: 'Signs out.', responses: [new OA\Response(response: 204, description: 'Done'), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function destroy(Request $request): Response
    {
        $this->guard()->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    private function guard(): StatefulGuard
    {
        $guard = $this->auth->guard('web');

        return $guard instanceof StatefulGuard ? $guard : throw new \LogicException('The web guard keeps no session.');
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\PasswordCheck;
use App\Desk\RightsOn;
use App\Desk\SignInAttempts;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\Session;
use App\Http\InvalidInput;
use App\Models\User;
use Illuminate\Auth\AuthManager;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Laravel\Sanctum\PersonalAccessToken;
use OpenApi\Attributes as OA;

/** Signing in and out. */
final readonly class SessionController
{
    public function __construct(
        private AuthManager $auth,
        private PasswordCheck $passwords,
        private SignInAttempts $attempts,
        private RightsOn $rights,
    ) {
    }

    #[
        OA\Get(
            path: '/session',
            operationId: 'session',
            description: 'Who is signed in; no content when nobody is.',
            responses: [new Answer('Session'), new OA\Response(response: 204, description: 'Nobody is signed in')],
        ),
    ]
    public function show(Request $request): JsonResponse|Response
    {
        $user = $this->auth->guard($request->bearerToken() === null ? 'web' : 'sanctum')->user();

        return $user instanceof User ? new JsonResponse(Session::of($user, $this->rights)) : new Response(status: 204);
    }

    #[
        OA\Post(
            path: '/session',
            operationId: 'signIn',
            description: 'Signs in; five wrong attempts a minute for one mail address.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['email', 'password'],
                    type: 'object',
                    properties: [new OA\Property('email', type: 'string'), new OA\Property('password', type: 'string')],
                ),
            ),
            responses: [new Answer('Session')],
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(
            ['email' => ['required', 'string', 'max:255'], 'password' => ['required', 'string', 'max:255']],
            ['email.required' => 'Type the mail address you were invited with.', 'password.required' => 'Type your password.'],
        );
        if (! $request->hasSession()) {
            throw new InvalidInput(422, 'email', 'A request with a token is signed in by it. Leave the token away to sign in with a password.');
        }
        $mail = Str::lower($given['email']);
        $ip = (string) $request->ip();
        $wait = $this->attempts->wait('editor', $mail, $ip);
        if ($wait > 0) {
            return Problem::of(429, 'Too many attempts', "Too many wrong attempts. Try again in $wait seconds.")->withHeaders([
                'Retry-After' => $wait,
            ]);
        }
        $user = User::query()->where('email', $mail)->first();
        if (! $this->passwords->isRight($given['password'], $user?->password) || $user === null) {
            $this->attempts->wasWrong('editor', $mail, $ip);
            throw ValidationException::withMessages([
                'password' => 'Mail address and password do not go together. Check both; capitals count in the password.',
            ]);
        }
        $this->attempts->wasRight('editor', $mail, $ip);
        $this->guard()->login($user);
        $request->session()->regenerate();

        return new JsonResponse(Session::of($user, $this->rights));
    }

    #[
        OA\Delete(
            path: '/session',
            operationId: 'signOut',
            description: 'Signs out.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function destroy(Request $request): Response
    {
        if ($request->bearerToken() !== null) {
            PersonalAccessToken::findToken($request->bearerToken())?->delete();

            return new Response(status: 204);
        }
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

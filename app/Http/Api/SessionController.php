<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Accounts\AskForCode;
use App\Desk\Accounts\Devices;
use App\Desk\Accounts\Happened;
use App\Desk\Accounts\SecurityLog;
use App\Desk\PasswordCheck;
use App\Desk\RightsOn;
use App\Desk\SignInAttempts;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\Session;
use App\Http\InvalidInput;
use App\Http\Middleware\KnowWho;
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
use Symfony\Component\HttpFoundation\Cookie;

/** Signing in and out. */
final readonly class SessionController
{
    /** The cookie by which a device is known again. */
    private const DEVICE = 'heronstem_device';

    public function __construct(
        private AuthManager $auth,
        private PasswordCheck $passwords,
        private SignInAttempts $attempts,
        private RightsOn $rights,
        private AskForCode $codes,
        private Devices $devices,
        private SecurityLog $log,
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
        $this->rights->lookAs($request->bearerToken() === null ? KnowWho::lookingIn($request) : null);

        return $user instanceof User ? new JsonResponse(Session::of($user, $this->rights)) : new Response(status: 204);
    }

    #[
        OA\Post(
            path: '/session',
            operationId: 'signIn',
            description: 'Signs in; five wrong attempts a minute for one mail address. Whoever has a second step is refused with the field code until its code is given.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['email', 'password'],
                    type: 'object',
                    properties: [
                        new OA\Property('email', type: 'string'),
                        new OA\Property('password', type: 'string'),
                        new OA\Property(
                            'code',
                            description: 'of the second step, where somebody has one; or a code that was written down',
                            type: 'string',
                        ),
                    ],
                ),
            ),
            responses: [new Answer('Session')],
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(
            [
                'email' => ['required', 'string', 'max:255'],
                'password' => ['required', 'string', 'max:255'],
                'code' => ['sometimes', 'nullable', 'string', 'max:40'],
            ],
            ['email.required' => 'Type the mail address you were invited with.', 'password.required' => 'Type your password.'],
        );
        if (! $request->hasSession()) {
            throw new InvalidInput(422, 'email', 'A request with a token is signed in by it. Leave the token away to sign in with a password.');
        }
        $mail = Str::lower($given['email']);
        $ip = (string) $request->ip();
        $wait = $this->attempts->wait('editor', $mail, $ip);
        if ($wait > 0) {
            return $this->tooMany($wait);
        }
        $user = User::query()->where('email', $mail)->first();
        if (! $this->passwords->isRight($given['password'], $user?->password) || $user === null) {
            $this->attempts->wasWrong('editor', $mail, $ip);
            $this->log->note(Happened::Refused, $user, $mail, detail: 'password');
            throw ValidationException::withMessages([
                'password' => 'Mail address and password do not go together. Check both; capitals count in the password.',
            ]);
        }
        $this->codes->of($user, (string) ($given['code'] ?? ''), $ip);
        $this->attempts->wasRight('editor', $mail, $ip);
        $this->guard()->login($user);
        $request->session()->regenerate();
        $request->session()->put(KnowWho::SIGNED_IN, now()->getTimestamp());
        $this->log->note(Happened::SignedIn, $user);
        $brought = $request->cookie(self::DEVICE);
        $mark = $this->devices->greet(
            $user,
            is_string($brought) && preg_match('/^[0-9a-f]{48}$/D', $brought) === 1 ? $brought : null,
            $ip,
            (string) $request->userAgent(),
        );
        $device = Cookie::create(self::DEVICE, $mark, now()->addDays(400), secure: (bool) (config('session.secure') ?? $request->isSecure()));

        return (new JsonResponse(Session::of($user, $this->rights)))->withCookie($device);
    }

    #[
        OA\Post(
            path: '/session/confirmed',
            operationId: 'confirmSession',
            description: 'Types the password once more, and the code of the second step: asked for before rights, access, code and settings are changed, where it is some time since one signed in.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['password'],
                    type: 'object',
                    properties: [new OA\Property('password', type: 'string'), new OA\Property('code', type: 'string')],
                ),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function confirm(Request $request): JsonResponse|Response
    {
        $given = $request->validate(
            ['password' => ['required', 'string', 'max:255'], 'code' => ['sometimes', 'nullable', 'string', 'max:40']],
            ['password.required' => 'Type your password.'],
        );
        if (! $request->hasSession()) {
            throw new InvalidInput(422, 'password', 'A request with a token is confirmed by it.');
        }
        $user = Signed::in($request);
        $ip = (string) $request->ip();
        $wait = $this->attempts->wait('editor', $user->email, $ip);
        if ($wait > 0) {
            return $this->tooMany($wait);
        }
        if (! $this->passwords->isRight($given['password'], $user->password)) {
            $this->attempts->wasWrong('editor', $user->email, $ip);
            $this->log->note(Happened::Refused, $user, detail: 'password, to confirm');
            throw ValidationException::withMessages(['password' => 'This is not your password. Capitals count.']);
        }
        $this->codes->of($user, (string) ($given['code'] ?? ''), $ip);
        $request->session()->put(KnowWho::SIGNED_IN, now()->getTimestamp());
        $this->log->note(Happened::Confirmed, $user);

        return new Response(status: 204);
    }

    private function tooMany(int $wait): JsonResponse
    {
        return Problem::of(429, 'Too many attempts', "Too many wrong attempts. Try again in $wait seconds.")->withHeaders(['Retry-After' => $wait]);
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
        $this->log->note(Happened::SignedOut, Signed::in($request));
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

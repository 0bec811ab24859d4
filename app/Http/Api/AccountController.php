<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\AccountLinks;
use App\Desk\Accounts\AskForCode;
use App\Desk\Accounts\OwnAccount;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\Session;
use App\Http\Middleware\KnowWho;
use App\Jobs\SendAccountLink;
use Illuminate\Auth\AuthManager;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;

/** What a link in a letter does: set the password of who was invited or forgot theirs, and confirm a mail address. */
final readonly class AccountController
{
    /** Requests for a new password: in a minute from one network, and in an hour for one account. */
    private const MOST = ['network' => [10, 60], 'account' => [3, 3600]];

    public function __construct(
        private AccountLinks $links,
        private RateLimiter $limiter,
        private AuthManager $auth,
        private RightsOn $rights,
        private AskForCode $codes,
        private OwnAccount $account,
    ) {
    }

    #[
        OA\Post(
            path: '/password-forgotten',
            operationId: 'forgotPassword',
            description: 'Sends a link to set a new password, if anybody has the mail address. The answer is always the same.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['email'], type: 'object', properties: [new OA\Property('email', type: 'string')]),
            ),
            responses: [new OA\Response(response: 204, description: 'Done, or not: which is told by mail alone')],
        ),
    ]
    public function forgotten(Request $request): Response|JsonResponse
    {
        $given = $request->validate(['email' => ['required', 'string', 'max:255']], ['email.required' => 'Type the mail address you sign in with.']);
        $mail = Str::lower(trim($given['email']));
        if (! $this->mayGoOn('network', (string) $request->ip())) {
            return Problem::of(429, 'Too many requests', 'Too many requests from here. Try again in a minute.')->withHeaders(['Retry-After' => 60]);
        }
        if ($this->mayGoOn('account', $mail)) {
            SendAccountLink::dispatch($mail, $request->getSchemeAndHttpHost());
        }

        return new Response(status: 204);
    }

    #[
        OA\Get(
            path: '/account-links/{token}',
            operationId: 'accountLink',
            description: 'Whose password is set, or mail address confirmed, by a link that came by mail.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/token')],
            responses: [new Answer('AccountLink')],
        ),
    ]
    public function show(string $token): JsonResponse
    {
        $link = $this->links->find($token, AccountLinks::INVITATION, AccountLinks::PASSWORD, AccountLinks::MAIL);
        $email = $link->purpose === AccountLinks::MAIL ? (string) $link->user->email_wanted : $link->user->email;

        return new JsonResponse(['purpose' => $link->purpose, 'name' => $link->user->name, 'email' => $email]);
    }

    #[
        OA\Post(
            path: '/account-links/{token}/confirmed',
            operationId: 'confirmMail',
            description: 'Says, with a link that came there, that a mail address is one’s own. It is signed in with from then on; both addresses are told.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/token')],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function confirm(string $token): Response
    {
        $this->account->confirmMail($token);

        return new Response(status: 204);
    }

    #[
        OA\Post(
            path: '/account-links/{token}',
            operationId: 'useAccountLink',
            description: 'Sets the password and signs in. Whoever was signed in with the old one is signed out, and tokens end.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/token')],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['password'],
                    type: 'object',
                    properties: [
                        new OA\Property('password', type: 'string'),
                        new OA\Property('code', description: 'of the second step, where somebody has one', type: 'string'),
                    ],
                ),
            ),
            responses: [new Answer('Session')],
        ),
    ]
    public function use(Request $request, string $token): JsonResponse
    {
        $given = $request->validate(
            ['password' => ['required', 'string', 'max:1000'], 'code' => ['sometimes', 'nullable', 'string', 'max:40']],
            ['password.required' => 'Type a password.'],
        );
        // Who reads somebody's mail has not their device: a link stands for the password alone.
        $this->codes->of($this->links->find($token, AccountLinks::INVITATION, AccountLinks::PASSWORD)->user, (string) ($given['code'] ?? ''), (string) $request->ip());
        $user = $this->links->setPassword($token, $given['password']);
        if ($request->hasSession()) {
            $this->auth->guard('web')->login($user);
            $request->session()->regenerate();
            $request->session()->put(KnowWho::SIGNED_IN, now()->getTimestamp());
        }

        return new JsonResponse(Session::of($user, $this->rights));
    }

    private function mayGoOn(string $kind, string $of): bool
    {
        [$most, $seconds] = self::MOST[$kind];
        $key = "forgotten:$kind:".hash('sha256', $of);
        if ($this->limiter->tooManyAttempts($key, $most)) {
            return false;
        }
        $this->limiter->hit($key, $seconds);

        return true;
    }
}

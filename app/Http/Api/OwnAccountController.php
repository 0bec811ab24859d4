<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Accounts\OwnAccount;
use App\Desk\Accounts\SecondStep;
use App\Http\Api\Description\Answer;
use Heronstem\Core\Access\Right;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** One's own account: name, mail address, password, second step, where one is signed in, and tokens. */
final readonly class OwnAccountController
{
    public function __construct(private OwnAccount $account, private SecondStep $secondStep)
    {
    }

    #[OA\Get(path: '/account', operationId: 'ownAccount', description: 'One’s own account; not for tokens.', responses: [new Answer('OwnAccount')])]
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->account->read(Signed::in($request), $request->session()->getId()));
    }

    #[
        OA\Patch(
            path: '/account',
            operationId: 'changeOwnAccount',
            description: 'Sets name or password, or asks for another mail address. With another password, sessions elsewhere and tokens end. Another mail address holds once it is confirmed by the link that goes there; the one of the account takes back what was asked for.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: [],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('email', type: 'string'),
                        new OA\Property('password', type: 'string'),
                    ],
                ),
            ),
            responses: [new Answer('OwnAccount')],
        ),
    ]
    public function update(Request $request): JsonResponse
    {
        $given = $request->validate(
            [
                'name' => ['sometimes', 'required', 'string', 'max:400'],
                'email' => ['sometimes', 'required', 'string', 'max:400'],
                'password' => ['sometimes', 'required', 'string', 'max:1000'],
            ],
            ['required' => 'Type something here.', 'string' => 'This is a text.'],
        );
        $user = Signed::in($request);
        if (isset($given['name'])) {
            $this->account->rename($user, $given['name']);
        }
        if (isset($given['email'])) {
            $this->account->askForMail($user, $given['email'], $request->getSchemeAndHttpHost());
        }
        if (isset($given['password'])) {
            $this->account->changePassword($user, $given['password'], $request->session()->getId());
        }

        return $this->show($request);
    }

    #[
        OA\Delete(
            path: '/account/sessions',
            operationId: 'endOtherSessions',
            description: 'Ends every session of one’s own but this one.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function endSessions(Request $request): Response
    {
        $this->account->endSessions(Signed::in($request), $request->session()->getId());

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/account/sessions/{session}',
            operationId: 'endSession',
            description: 'Ends one session of one’s own.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/session')],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function endSession(Request $request, string $session): Response
    {
        return $this->done($this->account->endSession(Signed::in($request), $session));
    }

    #[
        OA\Post(
            path: '/account/tokens',
            operationId: 'makeToken',
            description: 'Makes a personal token, shown this one time. Its rights are those named, as far as one has them oneself whenever it is used; null for all.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['name', 'days'],
                    type: 'object',
                    properties: [
                        new OA\Property('name', description: 'what it is for', type: 'string'),
                        new OA\Property('days', description: 'for which it is good', type: 'integer'),
                        new OA\Property('rights', type: 'array', items: new OA\Items(ref: '#/components/schemas/Right'), nullable: true),
                    ],
                ),
            ),
            responses: [new Answer('MadeToken', status: 201)],
        ),
    ]
    public function makeToken(Request $request): JsonResponse
    {
        $given = $request->validate(
            [
                'name' => ['required', 'string', 'max:400'],
                'days' => ['required', 'integer'],
                'rights' => ['sometimes', 'nullable', 'array', 'max:50'],
                'rights.*' => ['string', Rule::enum(Right::class)],
            ],
            [
                'name.required' => 'Say what the token is for.',
                'days.required' => 'Say for how many days it is good.',
                'rights.*' => 'There is no such right.',
            ],
        );
        $rights = isset($given['rights']) ? array_map(Right::from(...), array_values($given['rights'])) : null;

        return new JsonResponse(['token' => $this->account->makeToken(Signed::in($request), $given['name'], $rights, (int) $given['days'])], 201);
    }

    #[
        OA\Delete(
            path: '/account/tokens/{token}',
            operationId: 'endToken',
            description: 'Ends a token of one’s own.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/ownToken')],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function endToken(Request $request, string $token): Response
    {
        return $this->done($this->account->endToken(Signed::in($request), (int) $token));
    }

    #[
        OA\Post(
            path: '/account/second-step',
            operationId: 'beginSecondStep',
            description: 'Begins to set up a device for the second step (TOTP, RFC 6238). Nothing is asked for before its first code was shown.',
            responses: [new Answer('SecondStep')],
        ),
    ]
    public function begin(Request $request): JsonResponse
    {
        $user = Signed::in($request);
        $totp = $this->secondStep->begin($user);

        return new JsonResponse(['secret' => $totp->toLetters(), 'uri' => $totp->toUri('Heronstem', $user->email)]);
    }

    #[
        OA\Put(
            path: '/account/second-step',
            operationId: 'confirmSecondStep',
            description: 'Shows the first code of the device: from then on the second step is asked for. Answers with codes to write down.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['code'], type: 'object', properties: [new OA\Property('code', type: 'string')]),
            ),
            responses: [new Answer('RecoveryCodes')],
        ),
    ]
    public function confirm(Request $request): JsonResponse
    {
        $given = $request->validate(['code' => ['required', 'string', 'max:40']], ['code.required' => 'Type the code that your device shows now.']);

        return new JsonResponse(['codes' => $this->secondStep->confirm(Signed::in($request), $given['code'])]);
    }

    #[
        OA\Post(
            path: '/account/recovery-codes',
            operationId: 'newRecoveryCodes',
            description: 'Makes new codes to write down; those before are no longer valid.',
            responses: [new Answer('RecoveryCodes')],
        ),
    ]
    public function newCodes(Request $request): JsonResponse
    {
        return new JsonResponse(['codes' => $this->secondStep->newCodes(Signed::in($request))]);
    }

    #[
        OA\Delete(
            path: '/account/second-step',
            operationId: 'endSecondStep',
            description: 'Signs in with the password alone from then on.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function end(Request $request): Response
    {
        $this->secondStep->end(Signed::in($request));

        return new Response(status: 204);
    }

    private function done(bool $wasThere): Response
    {
        return $wasThere ? new Response(status: 204) : throw new NotFoundHttpException('There is none of that name. It may have ended since.');
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\InvitePeople;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Models\Membership;
use App\Models\Site;
use Heronstem\Core\Access\Right;
use Heronstem\Core\InputRefused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The people of a site. */
final readonly class PeopleController
{
    public function __construct(private RightsOn $rights, private InvitePeople $invite)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/people',
            operationId: 'people',
            description: 'Who works on the site, with their roles; mail addresses only for whoever looks after people.',
            responses: [new Answer('Person', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $looksAfter = $this->rights->held(Signed::in($request), $site)->may(Right::People);
        $people = Membership::query()
            ->where('site_id', $site->id)
            ->with(['user', 'roles'])
            ->get()
            ->sortBy('user.name');

        return new JsonResponse(
            array_values(
                $people
                    ->map(
                        static fn (Membership $each): array => [
                            'id' => $each->user->ulid,
                            'name' => $each->user->name,
                            'roles' => $each->roles->map->only(['key', 'name'])->all(),
                            ...$looksAfter
                                ? [
                                    'email' => $each->user->email,
                                    'hasCome' => $each->user->joined_at !== null,
                                    'isDisabled' => $each->disabled_at !== null,
                                    'hasSecondStep' => $each->user->second_step_since !== null,
                                ]
                                : [],
                        ],
                    )
                    ->all(),
            ),
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/people',
            operationId: 'invite',
            description: 'Invites somebody by mail: makes an account where they have none, and gives them roles, as a change of the history. Where the installation sends no mail, the answer holds the link to hand over.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['email', 'roles'],
                    type: 'object',
                    properties: [
                        new OA\Property('name', description: 'of somebody who has no account yet', type: 'string'),
                        new OA\Property('email', type: 'string'),
                        new OA\Property('roles', type: 'array', items: new OA\Items(type: 'string')),
                    ],
                ),
            ),
            responses: [new Answer('Invited', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            [
                'name' => ['sometimes', 'nullable', 'string', 'max:200'],
                'email' => ['required', 'string', 'max:255'],
                'roles' => ['required', 'array', 'max:100'],
                'roles.*' => ['string', 'max:40'],
            ],
            ['email.required' => 'Type their mail address.', 'roles.required' => 'Choose at least one role.', 'string' => 'This is a text.'],
        );
        [$user, $link] = $this->invite->invite(
            $site,
            Signed::in($request),
            (string) ($given['name'] ?? ''),
            $given['email'],
            array_values($given['roles']),
            $request->getSchemeAndHttpHost(),
        );

        return new JsonResponse(['id' => $user->ulid, 'name' => $user->name, 'link' => $link], 201);
    }

    #[
        OA\Post(
            path: '/sites/{site}/people/{person}/invitation',
            operationId: 'inviteAgain',
            description: 'Sends the invitation of somebody who has not come yet once more.',
            responses: [new Answer('Invited')],
        ),
    ]
    public function again(Request $request, Site $site, string $person): JsonResponse
    {
        $membership = Membership::query()
            ->where('site_id', $site->id)
            ->whereHas('user', static fn ($user) => $user->where('ulid', $person))
            ->with('user')
            ->firstOrFail();
        $user = $membership->user;
        if ($user->joined_at !== null) {
            throw new InputRefused(
                'person',
                "{$user->name} has come already, and needs no invitation. They can ask for a new password where they sign in.",
            );
        }

        return new JsonResponse([
            'id' => $user->ulid,
            'name' => $user->name,
            'link' => $this->invite->send($site, Signed::in($request), $user, $request->getSchemeAndHttpHost()),
        ]);
    }
}

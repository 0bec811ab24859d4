<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Http\Api\Description\Answer;
use App\Models\Membership;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The people of a site. */
final readonly class PeopleController
{
    public function __construct()
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/people',
            operationId: 'people',
            description: 'Who works on the site.',
            responses: [new Answer('Person', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $people = Membership::query()->where('site_id', $site->id)->with('user')->get()->sortBy('user.name');

        return new JsonResponse(
            array_values(
                $people
                    ->map(
                        static fn (Membership $each): array => ['id' => $each->user->ulid, 'name' => $each->user->name, 'role' => $each->role->value],
                    )
                    ->all(),
            ),
        );
    }
}

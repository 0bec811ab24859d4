<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\MakeSite;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\Session;
use App\Models\Membership;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Sites of this installation: whoever owns one makes others. */
final readonly class SitesController
{
    public function __construct(private MakeSite $make, private RightsOn $rights)
    {
    }

    #[
        OA\Post(
            path: '/sites',
            operationId: 'makeSite',
            description: 'Makes an empty site, whose owner one is. For owners of a site.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['name', 'origin'],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('origin', description: 'scheme and host, with a port if need be', type: 'string'),
                        new OA\Property('key', description: 'in addresses of the editor; made from the name where it is left away', type: 'string'),
                        new OA\Property('language', description: 'BCP 47; en-GB where it is left away', type: 'string'),
                        new OA\Property('zone', description: 'IANA name; UTC where it is left away', type: 'string'),
                        new OA\Property('trailingSlash', type: 'string', enum: TrailingSlash::class),
                        new OA\Property('suffix', type: 'string'),
                    ],
                ),
            ),
            responses: [new Answer('Session', status: 201)],
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $user = Signed::in($request);
        $owns = $user
            ->memberships()
            ->with('site')
            ->get()
            ->contains(fn (Membership $each): bool => $this->rights->own($user, $each->site)->rights->isOwner());
        if (! $owns) {
            return Problem::of(403, 'Not possible', 'Sites are made by owners of a site. Ask one of them, or whoever runs the installation.');
        }
        $given = $request->validate(
            [
                'name' => ['required', 'string', 'max:400'],
                'origin' => ['required', 'string', 'max:400'],
                'key' => ['sometimes', 'required', 'string', 'max:100'],
                'language' => ['sometimes', 'required', 'string', 'max:100'],
                'zone' => ['sometimes', 'required', 'string', 'max:100'],
                'trailingSlash' => ['sometimes', 'required', Rule::enum(TrailingSlash::class)],
                'suffix' => ['sometimes', 'present', 'nullable', 'string', 'max:20'],
            ],
            ['required' => 'Type something here.', 'string' => 'This is a text.', 'max' => 'At most :max characters fit here.'],
        );
        $this->make->make(
            $given['key'] ?? $this->make->freeKey($given['name']),
            $given['name'],
            $given['origin'],
            $given['language'] ?? 'en-GB',
            $given['zone'] ?? 'UTC',
            new AddressRules(TrailingSlash::from($given['trailingSlash'] ?? 'never'), $given['suffix'] ?? ''),
            $user,
        );
        $this->rights->forget();

        return new JsonResponse(Session::of($user->refresh(), $this->rights), 201);
    }
}

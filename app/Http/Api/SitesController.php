<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\MakeSite;
use App\Desk\RightsOn;
use App\Desk\Sites\CopiedPart;
use App\Desk\Sites\CopySite;
use App\Desk\Sites\RemoveSite;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\Session;
use App\Models\Membership;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\InputRefused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Sites of this installation: whoever owns one makes others. */
final readonly class SitesController
{
    public function __construct(private MakeSite $make, private RightsOn $rights, private CopySite $copy, private RemoveSite $remove)
    {
    }

    #[
        OA\Post(
            path: '/sites',
            operationId: 'makeSite',
            description: 'Makes a site, whose owner one is: empty, or a copy of another one. For owners of a site.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['name', 'origin'],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('origin', description: 'scheme and host, with a port if need be', type: 'string'),
                        new OA\Property('key', description: 'in addresses of the editor; made from the name where it is omitted', type: 'string'),
                        new OA\Property('language', description: 'BCP 47; en-GB where it is omitted', type: 'string'),
                        new OA\Property('zone', description: 'IANA name; UTC where it is omitted', type: 'string'),
                        new OA\Property('trailingSlash', type: 'string', enum: TrailingSlash::class),
                        new OA\Property('suffix', type: 'string'),
                        new OA\Property(
                            'from',
                            description: 'key of a site that one owns, of which this is to be a copy; its addresses are written as there',
                            type: 'string',
                            nullable: true,
                        ),
                        new OA\Property('part', description: 'what of it', type: 'string', enum: CopiedPart::class),
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
            ->has('site')
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
                'from' => ['sometimes', 'nullable', 'string', 'max:100'],
                'part' => ['sometimes', 'required', Rule::enum(CopiedPart::class)],
                'suffix' => ['sometimes', 'present', 'nullable', 'string', 'max:20'],
            ],
            ['required' => 'Type something here.', 'string' => 'This is a text.', 'max' => 'At most :max characters fit here.'],
        );
        $from = $this->from($given['from'] ?? null, $user);
        $made = $this->make->make(
            $given['key'] ?? $this->make->freeKey($given['name']),
            $given['name'],
            $given['origin'],
            $given['language'] ?? 'en-GB',
            $given['zone'] ?? 'UTC',
            $from?->rules() ?? new AddressRules(TrailingSlash::from($given['trailingSlash'] ?? 'never'), $given['suffix'] ?? ''),
            $user,
        );
        $this->rights->forget();
        if ($from !== null) {
            $this->copy->into($made, $from, CopiedPart::from($given['part'] ?? 'all'), $user);
        }

        return new JsonResponse(Session::of($user->refresh(), $this->rights), 201);
    }

    #[
        OA\Get(
            path: '/sites/{site}/removal',
            operationId: 'siteRemoval',
            description: 'What would go with the site. For its owners.',
            responses: [new Answer('SiteRemoval')],
        ),
    ]
    public function removal(Request $request, Site $site): JsonResponse
    {
        $this->guardOwner($request, $site);

        return new JsonResponse(['name' => $site->name, 'days' => RemoveSite::KEPT_DAYS, ...$this->remove->counts($site)]);
    }

    #[
        OA\Delete(
            path: '/sites/{site}',
            operationId: 'removeSite',
            description: 'Puts the site in the bin: it answers nowhere from then on, and comes back as it was for thirty days. For its owners.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['name'],
                    type: 'object',
                    properties: [new OA\Property('name', description: 'of the site, typed', type: 'string')],
                ),
            ),
            responses: [new Answer('Session')],
        ),
    ]
    public function destroy(Request $request, Site $site): JsonResponse
    {
        $this->guardOwner($request, $site);
        $given = $request->validate(
            ['name' => ['required', 'string', 'max:400']],
            ['required' => 'Type the name of the site.', 'string' => 'This is a text.'],
        );
        $this->remove->remove($site, Signed::in($request), $given['name']);
        $this->rights->forget();

        return new JsonResponse(Session::of(Signed::in($request)->refresh(), $this->rights));
    }

    #[
        OA\Get(
            path: '/removed-sites',
            operationId: 'removedSites',
            description: 'Sites in the bin that one owns.',
            responses: [new Answer('RemovedSite', list: true)],
        ),
    ]
    public function removed(Request $request): JsonResponse
    {
        return new JsonResponse(
            array_map(
                static fn (Site $site): array => [
                    'key' => $site->key,
                    'name' => $site->name,
                    'origin' => $site->origin,
                    'since' => $site->deleted_at?->toIso8601ZuluString(),
                ],
                array_values($this->remove->removed(Signed::in($request))->all()),
            ),
        );
    }

    #[
        OA\Post(
            path: '/removed-sites/{key}',
            operationId: 'bringSiteBack',
            parameters: [new OA\Parameter(name: 'key', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
            responses: [new Answer('Session')],
        ),
    ]
    public function bringBack(Request $request, string $key): JsonResponse
    {
        $user = Signed::in($request);
        $site = $this->remove->removed($user)->firstWhere('key', $key);
        abort_if($site === null, 404, 'There is no such site in the bin that you own.');
        $this->remove->bringBack($site, $user);
        $this->rights->forget();

        return new JsonResponse(Session::of($user->refresh(), $this->rights));
    }

    /** @throws InputRefused */
    private function from(mixed $key, User $user): ?Site
    {
        if ($key === null || $key === '') {
            return null;
        }
        $site = Site::query()->where('key', $key)->first();

        return $site !== null && $this->rights->own($user, $site)->rights->isOwner()
            ? $site
            : throw new InputRefused('from', 'There is no such site that you own.');
    }

    private function guardOwner(Request $request, Site $site): void
    {
        abort_unless($this->rights->own(Signed::in($request), $site)->rights->isOwner(), 403, 'Only owners of a site remove it.');
    }
}

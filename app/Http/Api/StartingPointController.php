<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\KeepStartingPoints;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Schema\StartingPointView;
use App\Models\Page;
use App\Models\Site;
use App\Models\StartingPoint;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\InputRefused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Pages and branches that are kept to make new pages from; a change of the kind make-from makes them. */
final readonly class StartingPointController
{
    public function __construct(private KeepStartingPoints $keep)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/starting-points',
            operationId: 'startingPoints',
            description: 'The starting points of the site by name.',
            responses: [new Answer('StartingPoint', list: true)],
        ),
    ]
    public function index(Site $site): JsonResponse
    {
        return new JsonResponse(StartingPointView::all($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/starting-points',
            operationId: 'makeStartingPoint',
            description: 'Keeps a page, or its branch, as it is saved at the moment.',
            requestBody: new Body('StartingPointToMake'),
            responses: [new Answer('StartingPoint', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $named = $this->named($request);
        [$page, $isBranch] = $this->source($request, $site);

        return self::one($this->keep->make($site, Signed::in($request), $named['name'], $named['description'] ?? '', $page, $isBranch), 201);
    }

    #[
        OA\Patch(
            path: '/sites/{site}/starting-points/{point}',
            operationId: 'describeStartingPoint',
            description: 'Names and describes a starting point.',
            requestBody: new Body('StartingPointNamed'),
            responses: [new Answer('StartingPoint')],
        ),
    ]
    public function update(Request $request, Site $site, StartingPoint $point): JsonResponse
    {
        $named = $this->named($request);
        $this->keep->describe($point, $named['name'], $named['description'] ?? '');

        return self::one($point);
    }

    #[
        OA\Put(
            path: '/sites/{site}/starting-points/{point}/pages',
            operationId: 'updateStartingPoint',
            description: 'Keeps a page, or its branch, in place of what the starting point was; pages made from it stay as they are.',
            requestBody: new Body('StartingPointSource'),
            responses: [new Answer('StartingPoint')],
        ),
    ]
    public function keep(Request $request, Site $site, StartingPoint $point): JsonResponse
    {
        [$page, $isBranch] = $this->source($request, $site);
        $this->keep->update($point, Signed::in($request), $page, $isBranch);

        return self::one($point);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/starting-points/{point}',
            operationId: 'removeStartingPoint',
            description: 'Removes a starting point; pages made from it stay.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function remove(Site $site, StartingPoint $point): Response
    {
        $this->keep->remove($point);

        return new Response(status: 204);
    }

    private static function one(StartingPoint $point, int $status = 200): JsonResponse
    {
        return new JsonResponse(StartingPointView::of($point->refresh()), $status);
    }

    /** @return array{name: string, description?: string|null} */
    private function named(Request $request): array
    {
        return $request->validate(
            ['name' => ['required', 'string', 'max:400'], 'description' => ['sometimes', 'nullable', 'string', 'max:2000']],
            ['name' => 'A starting point has a name.', 'description' => 'This is a text of at most 300 characters.'],
        );
    }

    /** @return array{Page, bool} */
    private function source(Request $request, Site $site): array
    {
        $given = $request->validate(
            ['page' => ['required', 'string', 'ulid'], 'scope' => ['sometimes', Rule::enum(Scope::class)]],
            ['page' => 'This is the id of a page.', 'scope' => 'This is page or branch.'],
        );

        return [
            Page::query()->where('site_id', $site->id)->where('ulid', $given['page'])->first() ??
            throw new InputRefused('page', 'There is no such page on this site.'),
            ($given['scope'] ?? '') === Scope::Branch->value,
        ];
    }
}

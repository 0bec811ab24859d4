<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\RightsOn;
use App\Desk\Sites\MoveBranch;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Schema\HistoryView;
use App\Http\Api\Schema\RippleView;
use App\Models\Page;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Access\Right;
use Heronstem\Core\InputRefused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** A branch that moves to another site of the installation. */
#[
    OA\Schema(
        schema: 'BranchToMove',
        required: ['to'],
        properties: [
            new OA\Property('to', description: 'key of the other site', type: 'string'),
            new OA\Property('under', description: 'address of the page there below which it stands; null for the top', type: 'string', nullable: true),
            new OA\Property('import', description: 'as the look at it named it', type: 'string', nullable: true),
            new OA\Property('digests', description: 'of the two ripples that were seen, there and here', type: 'array', items: new OA\Items(type: 'string')),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'MovedBranch',
        required: ['import', 'there', 'here'],
        properties: [
            new OA\Property('import', type: 'string'),
            new OA\Property('there', ref: '#/components/schemas/Ripple'),
            new OA\Property('here', ref: '#/components/schemas/Ripple'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'MovedEntries',
        required: ['there', 'here'],
        properties: [new OA\Property('there', ref: '#/components/schemas/HistoryEntry'), new OA\Property('here', ref: '#/components/schemas/HistoryEntry')],
        type: 'object',
    ),
]
final readonly class BranchController
{
    public function __construct(private RightsOn $rights, private MoveBranch $move)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/to-site-ripple',
            operationId: 'branchToSiteRipple',
            description: 'What moving the branch to another site would do on both. Nothing is done yet.',
            requestBody: new Body('BranchToMove'),
            responses: [new Answer('MovedBranch')],
        ),
    ]
    public function ripple(Request $request, Site $site, Page $page): JsonResponse
    {
        $user = Signed::in($request);
        [$to, $under] = $this->target($request, $user);
        $moved = $this->move->look($page, $to, $under, $user, $this->rights->of($user, $site), $this->rights->of($user, $to));

        return new JsonResponse(['import' => $moved->import->ulid, 'there' => RippleView::of($moved->there), 'here' => RippleView::of($moved->here)]);
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/to-site',
            operationId: 'branchToSite',
            description: 'Moves the branch to another site: a change on each, both made or neither.',
            requestBody: new Body('BranchToMove'),
            responses: [new Answer('MovedEntries', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site, Page $page): JsonResponse
    {
        $user = Signed::in($request);
        [$to] = $this->target($request, $user);
        $given = $request->validate(['import' => ['required', 'string', 'size:26'], 'digests' => ['sometimes', 'array', 'size:2'], 'digests.*' => ['string', 'size:64']], ['*' => 'Look first at what would follow, and name that look here.']);
        $import = SiteImport::query()->where('site_id', $to->id)->where('ulid', $given['import'])->where('source', 'site')->first() ?? throw new InputRefused('import', 'What was looked at is no longer kept. Review it again.');
        $digests = isset($given['digests']) ? [$given['digests'][0], $given['digests'][1]] : null;
        [$there, $here] = $this->move->move($page, $import, $user, $this->rights->of($user, $site), $this->rights->of($user, $to), $digests);

        return new JsonResponse(['there' => HistoryView::of($there), 'here' => HistoryView::of($here)], 201);
    }

    /** @return array{Site, string|null} the other site, and the page there */
    private function target(Request $request, User $user): array
    {
        $given = $request->validate(['to' => ['required', 'string', 'max:100'], 'under' => ['sometimes', 'nullable', 'string', 'max:2000']], ['required' => 'Say to which site.', 'string' => 'This is a text.']);
        $to = Site::query()->where('key', $given['to'])->first();
        if ($to === null || ! $this->rights->held($user, $to)->rights->maySomewhere(Right::Structure)) {
            throw new InputRefused('to', 'There is no such site on which you make pages.');
        }
        $under = trim((string) ($given['under'] ?? ''));
        $page = $under === '' ? null : Page::query()->where('site_id', $to->id)->where('state', '<>', 'bin')->where('address', $under)->value('ulid');

        return [$to, $under === '' ? null : $page ?? throw new InputRefused('under', "There is no page at $under there.")];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ReadSeenPart;
use App\Desk\RightsOn;
use App\Desk\UnderWay\ReadUnderWay;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\UnderWayView;
use App\Models\ChangeUnderWay;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Large changes that are made in the background: how far they are, and stopping them. */
final readonly class UnderWayController
{
    public function __construct(private ReadUnderWay $underWay, private RightsOn $rights, private ReadSeenPart $part)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/under-way',
            operationId: 'changesUnderWay',
            description: 'Large changes of the site that are being made right now, whoever asked for them.',
            responses: [new Answer('ChangeUnderWay', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(
            array_map(fn (ChangeUnderWay $change): UnderWayView => $this->view($request, $site, $change), $this->underWay->running($site)),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/under-way/{change}',
            operationId: 'changeUnderWay',
            description: 'One of them, also after it ended.',
            responses: [new Answer('ChangeUnderWay')],
        ),
    ]
    public function show(Request $request, Site $site, string $change): JsonResponse
    {
        $this->underWay->running($site); // one whose worker is gone is closed first

        return new JsonResponse($this->view($request, $site, $this->found($site, $change)));
    }

    #[
        OA\Delete(
            path: '/sites/{site}/under-way/{change}',
            operationId: 'stopChange',
            description: 'Asks it to stop, which it does unless it has been written: then it is undone like any other. By whoever asked for it, and by owners.',
            responses: [new OA\Response(response: 204, description: 'Asked')],
        ),
    ]
    public function stop(Request $request, Site $site, string $change): Response
    {
        $user = Signed::in($request);
        abort_unless(
            $this->underWay->stop($this->found($site, $change), $user, $this->rights->own($user, $site)->rights->isOwner()),
            403,
            'Only whoever asked for a change stops it, and owners of the site.',
        );

        return new Response(status: 204);
    }

    private function view(Request $request, Site $site, ChangeUnderWay $change): UnderWayView
    {
        $user = Signed::in($request);

        return UnderWayView::of($change, $user, $this->part->isWhole($this->rights->held($user, $site)));
    }

    private function found(Site $site, string $change): ChangeUnderWay
    {
        return ChangeUnderWay::query()->with('user', 'entry')->where('site_id', $site->id)->where('ulid', $change)->first() ??
            abort(404, 'There is no such change on this site.');
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Audit\ForeseeFindings;
use App\Desk\PlanFor;
use App\Desk\RightsOn;
use App\Desk\RippleGroup;
use App\Desk\RippleRows;
use App\Desk\UnderWay\AskedBatch;
use App\Desk\UnderWay\FitsRequest;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\RippleView;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Ripple\Ripple;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;

/**
 * Changes to the structure: first their ripple, then applied in one step.
 *
 * @phpstan-import-type Asked from AskedBatch
 */
final readonly class BatchController
{
    /** What only one of these needs, and is much, is asked for by that one. */
    public function __construct(private RightsOn $rights, private PlanFor $plan, private AskedBatch $asked, private FitsRequest $fits)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/ripple',
            operationId: 'ripple',
            description: 'What a batch would do. Writes nothing.',
            requestBody: new Body('Batch'),
            responses: [new Answer('Ripple')],
        ),
    ]
    public function ripple(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(RippleView::of($this->plan($request, $site)));
    }

    #[
        OA\Post(
            path: '/sites/{site}/ripple/{group}',
            operationId: 'rippleRows',
            description: 'One group of what a batch would do, complete: a piece at a time, filtered by a text, or as CSV.',
            parameters: [new Query('text'), new Query('offset', 'integer'), new Query('format', description: 'csv for the whole list as a file')],
            requestBody: new Body('Batch'),
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'Rows, or CSV (RFC 4180) where that is asked for',
                    content: [new OA\JsonContent(ref: '#/components/schemas/RippleRows'), new OA\MediaType(mediaType: 'text/csv')],
                ),
            ],
        ),
    ]
    public function rows(Request $request, Site $site, RippleGroup $group): Response
    {
        return RowsResponse::of($request, RippleRows::of($this->plan($request, $site), $group), $group);
    }

    #[
        OA\Post(
            path: '/sites/{site}/ripple-findings',
            operationId: 'rippleFindings',
            description: 'Which findings a batch would bring or take, and which pages would be nearer to the start page, further away or out of reach. Writes nothing.',
            requestBody: new Body('Batch'),
            responses: [new Answer('Foresight')],
        ),
    ]
    public function findings(Request $request, Site $site, ForeseeFindings $foresee): JsonResponse
    {
        $user = Signed::in($request);

        $batch = $this->batch($request, $site);
        $this->fits->guard($batch, $site);

        return new JsonResponse($foresee->of($site, $user, $batch, $this->rights->of($user, $site))->toArray());
    }

    #[
        OA\Post(
            path: '/sites/{site}/batches',
            operationId: 'applyBatch',
            description: 'Applies a batch in one step. With a digest, refused with 409 and the new ripple when that has changed; refused likewise while a decision is open, unless the defaults are taken.',
            requestBody: new Body('Batch'),
            responses: [
                new Answer('HistoryEntry', status: 201),
                new Answer('ChangeUnderWay', status: 202, description: 'It concerns many pages, and is made in the background.'),
            ],
        ),
    ]
    public function store(Request $request, Site $site, ApplyOrBegin $apply): JsonResponse
    {
        $rights = $this->rights->of(Signed::in($request), $site);
        $asked = self::asked($request);

        return $apply->of($request, $site, $rights, $this->asked->read($site, $asked), $asked);
    }

    private function plan(Request $request, Site $site): Ripple
    {
        $batch = $this->batch($request, $site);
        $this->fits->guard($batch, $site);

        return $this->plan->of($site, $batch, $this->rights->of(Signed::in($request), $site));
    }

    private function batch(Request $request, Site $site): Batch
    {
        return $this->asked->read($site, self::asked($request));
    }

    /** @return Asked */
    private static function asked(Request $request): array
    {
        $list = static fn (mixed $given): array => is_array($given) ? $given : [];

        return [
            'changes' => $list($request->json('changes')),
            'decisions' => $list($request->json('decisions')),
            'defaults' => $request->json('defaults') === true,
        ];
    }
}

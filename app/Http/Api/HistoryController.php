<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\PlanFor;
use App\Desk\ReadHistory;
use App\Desk\Rights;
use App\Desk\RightsOn;
use App\Desk\RippleGroup;
use App\Desk\ThinHistory;
use App\Desk\UnderWay\AskedBatch;
use App\Desk\UnderWay\FitsRequest;
use App\Desk\UndoEntry;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\HistoryDetail;
use App\Http\Api\Schema\HistoryView;
use App\Http\Api\Schema\RippleView;
use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\DecisionReader;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Series;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;

/** What was applied, and undoing it. */
final readonly class HistoryController
{
    /** What is needed to undo, which is much, is asked for by what undoes. */
    public function __construct(
        private RightsOn $rights,
        private PlanFor $plan,
        private UndoEntry $undo,
        private ReadHistory $history,
        private ThinHistory $thin,
        private FitsRequest $fits,
    ) {
    }

    #[
        OA\Get(
            path: '/sites/{site}/history',
            operationId: 'history',
            description: 'Applied batches, newest first, fifty at a time; before names the last entry one has. Filtered by a page, a person, a kind of change, a span of days, or a text.',
            parameters: [
                new Query('before'),
                new Query('page'),
                new Query('by', description: 'identity of a person, or schedule'),
                new Query('kind'),
                new Query('from'),
                new Query('until'),
                new Query('text'),
            ],
            responses: [new Answer('HistoryEntry', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $request->validate(
            ['from' => ['sometimes', 'nullable', 'date_format:Y-m-d'], 'until' => ['sometimes', 'nullable', 'date_format:Y-m-d']],
            ['date_format' => 'A day is written like 2027-05-03.'],
        );
        $wanted = array_map(
            static fn (string $field): string => $request->string($field)->value(),
            array_combine(ReadHistory::filters(), ReadHistory::filters()),
        );

        return new JsonResponse($this->history->page($site, $wanted)->map(HistoryView::of(...))->all());
    }

    #[
        OA\Get(
            path: '/sites/{site}/history/{entry}',
            operationId: 'historyEntry',
            description: 'One applied batch with its ripple.',
            responses: [new Answer('HistoryDetail')],
        ),
    ]
    public function show(Request $request, Site $site, HistoryEntry $entry): JsonResponse
    {
        return new JsonResponse(HistoryDetail::of($entry));
    }

    #[
        OA\Get(
            path: '/sites/{site}/history/{entry}/rows/{group}',
            operationId: 'historyRows',
            description: 'One group of what an applied batch did, complete.',
            parameters: [new Query('text'), new Query('offset', 'integer'), new Query('format')],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'Rows, or CSV (RFC 4180) where that is asked for',
                    content: [new OA\JsonContent(ref: '#/components/schemas/RippleRows'), new OA\MediaType(mediaType: 'text/csv')],
                ),
            ],
        ),
    ]
    public function rows(Request $request, Site $site, HistoryEntry $entry, RippleGroup $group): Response
    {
        return RowsResponse::of($request, Series::of($this->history->rows($entry, $site, $group)), $group);
    }

    #[
        OA\Post(
            path: '/sites/{site}/history/{entry}/ripple',
            operationId: 'undoRipple',
            description: 'What taking an entry back would do. Writes nothing.',
            responses: [new Answer('Ripple')],
        ),
    ]
    public function ripple(Request $request, Site $site, HistoryEntry $entry): JsonResponse
    {
        $rights = $this->rights($request, $site);

        return $this->planned($site, $rights, $this->undo->batch($site, $entry, $this->decisions($request, $site)));
    }

    #[
        OA\Post(
            path: '/sites/{site}/history/{entry}/undo',
            operationId: 'undo',
            description: 'Undoes an entry exactly; itself an entry that can be undone. One may take back what one did oneself; managers anything.',
            responses: [
                new Answer('HistoryEntry', status: 201),
                new Answer('ChangeUnderWay', status: 202, description: 'It concerns many pages, and is made in the background.'),
            ],
        ),
    ]
    public function undo(Request $request, Site $site, HistoryEntry $entry, ApplyOrBegin $apply): JsonResponse
    {
        $rights = $this->rights($request, $site);

        return $this->applied($apply, $request, $site, $rights, $this->undo->batch($site, $entry, $this->decisions($request, $site)));
    }

    #[
        OA\Post(
            path: '/sites/{site}/undo/ripple',
            operationId: 'undoSeveralRipple',
            description: 'What undoing several entries, or everything since one, would do. Writes nothing.',
            requestBody: new Body('Undo'),
            responses: [new Answer('Ripple')],
        ),
    ]
    public function severalRipple(Request $request, Site $site): JsonResponse
    {
        $rights = $this->rights($request, $site);

        return $this->planned($site, $rights, $this->several($request, $site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/undo',
            operationId: 'undoSeveral',
            description: 'Undoes several entries, or everything since one, in one step. What has changed again since stays, and the ripple said so.',
            requestBody: new Body('Undo'),
            responses: [
                new Answer('HistoryEntry', status: 201),
                new Answer('ChangeUnderWay', status: 202, description: 'It concerns many pages, and is made in the background.'),
            ],
        ),
    ]
    public function undoSeveral(Request $request, Site $site, ApplyOrBegin $apply): JsonResponse
    {
        $rights = $this->rights($request, $site);

        return $this->applied($apply, $request, $site, $rights, $this->several($request, $site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/history-thinning',
            operationId: 'countThinning',
            description: 'How much thinning the history older than so many days would take away.',
            parameters: [new Query('days', 'integer')],
            responses: [new Answer('Thinning')],
        ),
    ]
    public function countThinning(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->thin->count($site, $this->days($request)));
    }

    #[
        OA\Post(
            path: '/sites/{site}/history-thinning',
            operationId: 'thinHistory',
            description: 'Takes the details by which they could be undone from entries older than so many days. The ledger stays whole.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['days'], type: 'object', properties: [new OA\Property('days', type: 'integer')]),
            ),
            responses: [new Answer('Thinning')],
        ),
    ]
    public function thin(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->thin->thin($site, $this->days($request)));
    }

    private function days(Request $request): int
    {
        $request->validate(
            ['days' => ['required', 'integer', 'min:7', 'max:36500']],
            ['required' => 'Say from what age on, in days.', 'min' => 'The last seven days are never thinned.'],
        );

        return $request->integer('days');
    }

    /** @return list<string>|null */
    private function pages(Request $request): ?array
    {
        $given = $request->validate(
            ['pages' => ['sometimes', 'nullable', 'array', 'list', 'min:1', 'max:10000'], 'pages.*' => ['string']],
            ['pages*' => 'These are identities of pages.'],
        );

        return isset($given['pages']) ? array_values(array_map(strval(...), $given['pages'])) : null;
    }

    private function rights(Request $request, Site $site): Rights
    {
        return $this->rights->of(Signed::in($request), $site);
    }

    private function planned(Site $site, Rights $rights, Batch $batch): JsonResponse
    {
        $this->fits->guard($batch, $site);

        return new JsonResponse(RippleView::of($this->plan->of($site, $batch, $rights)));
    }

    private function applied(ApplyOrBegin $apply, Request $request, Site $site, Rights $rights, Batch $batch): JsonResponse
    {
        $decisions = $request->json('decisions');

        return $apply->of($request, $site, $rights, $batch, AskedBatch::undoing($batch, is_array($decisions) ? $decisions : []));
    }

    /** @return list<Decision> what is decided of what comes up; everything else takes its default */
    private function decisions(Request $request, Site $site): array
    {
        $given = $request->json('decisions');
        if ($given !== null && ! is_array($given)) {
            throw ValidationException::withMessages(['decisions' => 'Decisions are a list.']);
        }

        return (new DecisionReader($site->rules()))->all($given ?? []);
    }

    private function several(Request $request, Site $site): Batch
    {
        $request->validate(
            [
                'entries' => ['required_without:since', 'array', 'list', 'min:1', 'max:'.UndoEntry::MAX_ENTRIES],
                'entries.*' => ['string'],
                'since' => ['sometimes', 'string'],
            ],
            ['required_without' => 'Name entries, or the one since which everything is undone.'],
        );
        $decisions = $this->decisions($request, $site);
        if ($request->json('since') !== null) {
            return $this->undo->since($site, $this->history->named($site, [$request->json('since')], 'since')->firstOrFail(), $decisions);
        }

        $entries = $this->history->named($site, array_values((array) $request->json('entries')), 'entries');
        $pages = $this->pages($request);
        if ($pages !== null && $entries->count() !== 1) {
            throw new InputRefused('pages', 'Single pages are undone of one change at a time.');
        }

        return $pages === null
            ? $this->undo->several($site, $entries, $decisions)
            : $this->undo->batch($site, $entries->firstOrFail(), $decisions, $pages);
    }
}

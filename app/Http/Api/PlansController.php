<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Audit\ForeseeFindings;
use App\Desk\KnownFiles;
use App\Desk\Plans\KeepPlans;
use App\Desk\Plans\PlanLink;
use App\Desk\Plans\ReviewPlan;
use App\Desk\Plans\SwitchPlan;
use App\Desk\RightsOn;
use App\Desk\RippleGroup;
use App\Desk\RippleRows;
use App\Desk\UnderWay\BeginLarge;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\HistoryView;
use App\Http\Api\Schema\PlanView;
use App\Http\Api\Schema\UnderWayView;
use App\Models\Plan;
use App\Models\Site;
use App\Models\StoredStep;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Moment;
use Heronstem\Core\Planning\ComparedPlans;
use Heronstem\Core\Series;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Plans: changes prepared beside the living site, looked at at any time, and switched on together. */
final readonly class PlansController
{
    public function __construct(
        private RightsOn $rights,
        private KeepPlans $plans,
        private ReviewPlan $review,
        private SwitchPlan $switch,
        private ForeseeFindings $foresee,
        private KnownFiles $files,
        private PlanLink $link,
        private BeginLarge $large,
    ) {
    }

    #[
        OA\Get(
            path: '/sites/{site}/plans',
            operationId: 'plans',
            description: 'The plans of the site, those that are open first.',
            responses: [new Answer('PlanItem', list: true)],
        ),
    ]
    public function index(Site $site): JsonResponse
    {
        $plans = Plan::query()
            ->where('site_id', $site->id)
            ->with('user')
            ->orderByRaw("state = 'open' desc, updated_at desc, id desc")
            ->limit(200)
            ->get();

        return new JsonResponse(array_map(PlanView::item(...), array_values($plans->all())));
    }

    #[
        OA\Post(
            path: '/sites/{site}/plans',
            operationId: 'makePlan',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['name'],
                    type: 'object',
                    properties: [new OA\Property('name', type: 'string'), new OA\Property('description', type: 'string')],
                ),
            ),
            responses: [new Answer('PlanItem', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        [$name, $description] = $this->named($request);

        return new JsonResponse(PlanView::item($this->plans->make($site, Signed::in($request), $name, $description)), 201);
    }

    #[
        OA\Get(
            path: '/sites/{site}/plans/{plan}',
            operationId: 'plan',
            description: 'A plan laid over the site as it is now: its steps, what would follow, and what contradicts.',
            parameters: [new Query('only', description: 'steps that count, with commas between')],
            responses: [new Answer('PlanReview')],
        ),
    ]
    public function show(Request $request, Site $site, Plan $plan): JsonResponse
    {
        return $this->reviewed($request, $plan);
    }

    #[
        OA\Get(
            path: '/sites/{site}/plans/{plan}/ripple/{group}',
            operationId: 'planRows',
            description: 'One group of what the plan would do, complete: a piece at a time, filtered by a text, or as CSV.',
            parameters: [
                new Query('text'),
                new Query('offset', 'integer'),
                new Query('only', description: 'steps that count, with commas between'),
                new Query('format', description: 'csv for the whole list as a file'),
            ],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'Rows, or CSV (RFC 4180) where that is asked for',
                    content: [new OA\JsonContent(ref: '#/components/schemas/RippleRows'), new OA\MediaType(mediaType: 'text/csv')],
                ),
            ],
        ),
    ]
    public function rows(Request $request, Site $site, Plan $plan, RippleGroup $group): AnyResponse
    {
        $ripple = $this->review->of($plan, $this->rights->of(Signed::in($request), $site), self::only($request))->ripple;

        return RowsResponse::of($request, $ripple === null ? Series::of([]) : RippleRows::of($ripple, $group), $group);
    }

    #[
        OA\Patch(
            path: '/sites/{site}/plans/{plan}',
            operationId: 'describePlan',
            description: 'Names and describes a plan, and sets the moment at which it is switched on; null for none.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: [],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('description', type: 'string'),
                        new OA\Property('switchAt', type: 'string', nullable: true),
                    ],
                ),
            ),
            responses: [new Answer('PlanReview')],
        ),
    ]
    public function update(Request $request, Site $site, Plan $plan): JsonResponse
    {
        if ($request->has('name') || $request->has('description')) {
            [$name, $description] = $this->named($request, $plan);
            $this->plans->describe($plan, $name, $description);
        }
        if ($request->has('switchAt')) {
            $typed = $request->json('switchAt');
            if ($typed !== null && ! is_string($typed)) {
                throw new InputRefused('switchAt', 'This is a moment such as 2027-05-03T06:00, or null.');
            }
            $moment = $typed === null || $typed === '' ? null : Carbon::createFromTimestamp(Moment::read($typed, $site->zone, 'switchAt')->seconds);
            $this->switch->at($plan, Signed::in($request), $moment);
        }

        return $this->reviewed($request, $plan->refresh());
    }

    #[
        OA\Delete(
            path: '/sites/{site}/plans/{plan}',
            operationId: 'discardPlan',
            description: 'Discards a plan with everything prepared in it. What was switched on stays.',
            responses: [new OA\Response(response: 204, description: 'Discarded')],
        ),
    ]
    public function remove(Site $site, Plan $plan): Response
    {
        $plan->delete();

        return new Response('', 204);
    }

    #[
        OA\Post(
            path: '/sites/{site}/plans/{plan}/steps',
            operationId: 'addStep',
            description: 'Prepares changes in a plan, on the site as the plan leaves it so far.',
            requestBody: new Body('Batch'),
            responses: [new Answer('PlanStep', status: 201)],
        ),
    ]
    public function add(Request $request, Site $site, Plan $plan): JsonResponse
    {
        $user = Signed::in($request);
        $changes = $request->json('changes');
        $decisions = $request->json('decisions');
        $batch = (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch(
            is_array($changes) ? $changes : [],
            is_array($decisions) ? $decisions : [],
        );
        $this->files->guard($batch, $site);

        return new JsonResponse(PlanView::step($this->plans->add($plan, $user, $batch, $this->rights->of($user, $site))), 201);
    }

    #[OA\Delete(path: '/sites/{site}/plans/{plan}/steps/{step}', operationId: 'removeStep', responses: [new Answer('PlanReview')])]
    public function removeStep(Request $request, Site $site, Plan $plan, StoredStep $step): JsonResponse
    {
        $this->plans->remove($plan, $step, $this->rights->of(Signed::in($request), $site));

        return $this->reviewed($request, $plan->refresh());
    }

    #[
        OA\Post(
            path: '/sites/{site}/plans/{plan}/accepted',
            operationId: 'acceptInPlan',
            description: 'The plan holds for a page, against what was done to it on the living site since.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['page'], type: 'object', properties: [new OA\Property('page', type: 'string')]),
            ),
            responses: [new Answer('PlanReview')],
        ),
    ]
    public function accept(Request $request, Site $site, Plan $plan): JsonResponse
    {
        $given = $request->validate(
            ['page' => ['required', 'string', 'size:26']],
            ['page.*' => 'A page is named by its identity, 26 letters and digits.'],
        );
        $this->plans->accept($plan, $given['page'], $this->rights->of(Signed::in($request), $site));

        return $this->reviewed($request, $plan->refresh());
    }

    #[
        OA\Post(
            path: '/sites/{site}/plans/{plan}/decisions',
            operationId: 'decideInPlan',
            description: 'Answers what a plan leaves open.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['decisions'],
                    type: 'object',
                    properties: [new OA\Property('decisions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Decision'))],
                ),
            ),
            responses: [new Answer('PlanReview')],
        ),
    ]
    public function decide(Request $request, Site $site, Plan $plan): JsonResponse
    {
        $given = $request->validate(['decisions' => ['required', 'array', 'max:1000']], ['decisions.*' => 'These are decisions, a list.']);
        $this->plans->decide($plan, array_values($given['decisions']));

        return $this->reviewed($request, $plan->refresh());
    }

    #[
        OA\Post(
            path: '/sites/{site}/plans/{plan}/switched',
            operationId: 'switchPlan',
            description: 'Switches the plan on, or some of its steps first: one change, which the history can undo.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: [],
                    type: 'object',
                    properties: [
                        new OA\Property('only', description: 'steps', type: 'array', items: new OA\Items(type: 'string'), nullable: true),
                        new OA\Property('digest', type: 'string', nullable: true),
                        new OA\Property('note', type: 'string', nullable: true),
                    ],
                ),
            ),
            responses: [
                new Answer('HistoryEntry', status: 201),
                new Answer('ChangeUnderWay', status: 202, description: 'Concerns many pages, and is made in the background'),
            ],
        ),
    ]
    public function on(Request $request, Site $site, Plan $plan): JsonResponse
    {
        $user = Signed::in($request);
        $given = $request->validate(
            [
                'only' => ['sometimes', 'nullable', 'array', 'max:2000'],
                'only.*' => ['string', 'size:26'],
                'digest' => ['sometimes', 'nullable', 'string', 'size:64'],
                'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
            ],
            ['only.*' => 'Steps are named by their identities.'],
        );
        $only = isset($given['only']) ? array_values($given['only']) : null;
        [$digest, $note] = [$given['digest'] ?? null, trim((string) ($given['note'] ?? ''))];
        $large = $this->large->ofSize(
            $plan->state === 'open' ? $this->switch->size($plan, $only) : 0,
            $site,
            $user,
            ['plan' => $plan->ulid, 'only' => $only, 'decisions' => [], 'defaults' => false],
            static fn (): string => "Applying the plan {$plan->name}",
            $digest,
            $note,
        );
        if ($large !== null) {
            return new JsonResponse(UnderWayView::of($large, $user), 202);
        }
        $entry = $this->switch->on($plan, $user, $this->rights->of($user, $site), $only, $digest, $note);

        return new JsonResponse(HistoryView::of($entry), 201);
    }

    #[
        OA\Get(
            path: '/sites/{site}/plans/{plan}/findings',
            operationId: 'planFindings',
            description: 'Which findings the plan would bring or take, and which pages would be nearer or further. Writes nothing.',
            responses: [new Answer('Foresight')],
        ),
    ]
    public function findings(Request $request, Site $site, Plan $plan): JsonResponse
    {
        $user = Signed::in($request);
        $rights = $this->rights->of($user, $site);
        $batch = $this->review->of($plan, $rights)->batch ?? throw new InputRefused('plan', 'Nothing is prepared in this plan.');

        return new JsonResponse($this->foresee->of($site, $user, $batch, $rights)->toArray());
    }

    #[
        OA\Get(
            path: '/sites/{site}/plans/{plan}/against/{other}',
            operationId: 'comparePlans',
            description: 'What two plans do to the same pages.',
            parameters: [new OA\Parameter(name: 'other', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
            responses: [new Answer('ComparedPlans')],
        ),
    ]
    public function compare(Request $request, Site $site, Plan $plan, string $other): JsonResponse
    {
        $second = Plan::query()->where('site_id', $site->id)->where('ulid', $other)->firstOrFail();
        $rights = $this->rights->of(Signed::in($request), $site);
        [$one, $two] = [$this->review->of($plan, $rights), $this->review->of($second, $rights)];

        return new JsonResponse(PlanView::compared(ComparedPlans::of($one->ripple, $two->ripple), $one, $two));
    }

    #[
        OA\Post(
            path: '/sites/{site}/plans/{plan}/link',
            operationId: 'linkPlan',
            description: 'Makes a secret link under which anybody sees the site as the plan would leave it. The one before no longer works.',
            responses: [
                new OA\Response(
                    response: 201,
                    description: 'The link, told once',
                    content: new OA\JsonContent(required: ['url'], type: 'object', properties: [new OA\Property('url', type: 'string')]),
                ),
            ],
        ),
    ]
    public function link(Site $site, Plan $plan): JsonResponse
    {
        return new JsonResponse(['url' => $this->link->make($plan)], 201);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/plans/{plan}/link',
            operationId: 'unlinkPlan',
            description: 'The secret link no longer works.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function unlink(Site $site, Plan $plan): Response
    {
        $plan->update(['token' => null]);

        return new Response('', 204);
    }

    private function reviewed(Request $request, Plan $plan): JsonResponse
    {
        return new JsonResponse(
            PlanView::review($plan, $this->review->of($plan, $this->rights->of(Signed::in($request), $plan->site), self::only($request))),
        );
    }

    /** @return list<string>|null steps that count; null for all */
    private static function only(Request $request): ?array
    {
        $only = $request->query('only');

        return is_string($only) && $only !== '' ? explode(',', $only) : null;
    }

    /** @return array{string, string} */
    private function named(Request $request, ?Plan $plan = null): array
    {
        $given = $request->validate(
            ['name' => [$plan === null ? 'required' : 'sometimes', 'string'], 'description' => ['sometimes', 'nullable', 'string']],
            ['required' => 'A plan has a name.', 'string' => 'This is a text.'],
        );

        return [$given['name'] ?? ($plan->name ?? ''), (string) ($given['description'] ?? ($plan->description ?? ''))];
    }
}

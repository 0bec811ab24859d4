<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ListAddresses;
use App\Desk\MatchAddresses;
use App\Desk\RedirectFindings;
use App\Desk\Resolvers;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Every address of a site: what answers, and how it does. Redirects are changed by batches, like everything of the structure. */
final readonly class AddressesController
{
    /** Most addresses tried at once. */
    private const MAX_TRIED = 200;

    public function __construct(
        private ListAddresses $list,
        private Resolvers $resolvers,
        private MatchAddresses $match,
        private RedirectFindings $findings,
    ) {
    }

    #[
        OA\Get(
            path: '/sites/{site}/addresses',
            operationId: 'addresses',
            description: 'Every address the site answers or ever answered, rules that hold none, and misses; in order, a hundred at a time.',
            parameters: [
                new Query('text', description: 'any part of an address, a note or the name of the page'),
                new Query('kind', description: 'page, also, former, one, branch, pattern, gone, bin, removed, reserved, missed; commas between'),
                new Query('status', description: 'off, over, waiting, front, by-hand, from-change, from-import; commas between'),
                new Query('finding', description: 'redirects with a finding of these kinds, commas between; or any'),
                new OA\Parameter(name: 'hits', in: 'query', schema: new OA\Schema(type: 'string', enum: ['never'])),
                new Query('offset', 'integer'),
            ],
            responses: [new Answer('Addresses')],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $filter = [
            'text' => mb_substr($request->string('text')->trim()->value(), 0, 200),
            'kind' => $request->string('kind')->value(),
            'status' => $request->string('status')->value(),
            'hits' => $request->string('hits')->value(),
        ];

        return new JsonResponse($this->list->find($site, $filter, $request->string('finding')->value(), max(0, $request->integer('offset'))));
    }

    #[
        OA\Get(
            path: '/sites/{site}/addresses/below',
            operationId: 'addressesBelow',
            description: 'What stands below an address, by its next segment.',
            parameters: [new Query('address')],
            responses: [new Answer('Segment', list: true)],
        ),
    ]
    public function below(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->list->below($site, $request->string('address', '/')->value()));
    }

    #[
        OA\Post(
            path: '/sites/{site}/addresses/tried',
            operationId: 'tried',
            description: 'How addresses are answered: one a line, at most 200.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['text'], type: 'object', properties: [new OA\Property('text', type: 'string')]),
            ),
            responses: [new Answer('Explanation', list: true)],
        ),
    ]
    public function tried(Request $request, Site $site): JsonResponse
    {
        $lines = array_values(
            array_filter(
                array_map(trim(...), preg_split('/\R/u', mb_scrub($request->string('text')->value(), 'UTF-8')) ?: []),
                static fn (string $line): bool => $line !== '',
            ),
        );
        if (count($lines) > self::MAX_TRIED) {
            throw ValidationException::withMessages([
                'text' => sprintf(
                    'At most %d addresses are tried at once; these are %d. ./heronstem explain takes any number.',
                    self::MAX_TRIED,
                    count($lines),
                ),
            ]);
        }
        $resolver = $this->resolvers->for($site);

        return new JsonResponse(array_map(static fn (string $line): array => $resolver->resolve($line)->toArray(), $lines));
    }

    #[
        OA\Get(
            path: '/sites/{site}/addresses/near',
            operationId: 'near',
            description: 'Pages that somebody who asked for this address may have wanted, the likeliest first.',
            parameters: [new Query('address')],
            responses: [new Answer('NearPage', list: true)],
        ),
    ]
    public function near(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->match->near($site, $request->string('address')->value()));
    }

    #[
        OA\Get(
            path: '/sites/{site}/addresses/missed',
            operationId: 'missed',
            description: 'How often a missed address was asked for, by day, week or month, and by the host that visitors came from.',
            parameters: [new Query('address'), new Query('span')],
            responses: [new Answer('MissedDetail')],
        ),
    ]
    public function missed(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->list->missed($site, $request->string('address')->value(), $request->string('span')->value() ?: 'day'));
    }

    #[
        OA\Post(
            path: '/sites/{site}/addresses/ignored',
            operationId: 'ignoreMissed',
            description: 'Leaves a missed address out of the list from now on.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['address'], type: 'object', properties: [new OA\Property('address', type: 'string')]),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function ignore(Request $request, Site $site): Response
    {
        if (! $this->list->ignore($site, $request->string('address')->value())) {
            throw ValidationException::withMessages(['address' => 'Nobody has requested this address without finding a page.']);
        }

        return new Response(status: 204);
    }

    #[
        OA\Get(
            path: '/sites/{site}/redirect-findings',
            operationId: 'redirectFindings',
            description: 'What is noticed of the redirects: circles, chains, rules that never fire, dead targets and the like, each with the change that mends it where one does.',
            responses: [new Answer('RedirectFinding', list: true)],
        ),
    ]
    public function findings(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->findings->of($site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/redirects/{redirect}',
            operationId: 'redirect',
            description: 'A redirect: how it is answered, step by step, how often it was used by day, week or month, and who links to it.',
            parameters: [new OA\Parameter(name: 'redirect', in: 'path', required: true, schema: new OA\Schema(type: 'string')), new Query('span')],
            responses: [new Answer('RedirectDetail')],
        ),
    ]
    public function redirect(Request $request, Site $site, string $redirect): JsonResponse
    {
        return new JsonResponse($this->list->redirect($site, $redirect, $request->string('span')->value() ?: 'day'));
    }
}

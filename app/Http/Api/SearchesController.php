<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ReadSearches;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What visitors search on the site. It is answered by a batch (`answer-search`). */
final readonly class SearchesController
{
    public function __construct(private ReadSearches $searches)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/searches',
            operationId: 'searches',
            description: 'What visitors searched, the most frequent first, 200 at a time, and every answer that is set.',
            parameters: [new Query('inVain', description: '1 for those that found nothing, or only words that are spelt alike'), new Query('offset', 'integer')],
            responses: [new Answer('Searches')],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->searches->of($site, $request->query('inVain') === '1', min(max(0, $request->integer('offset')), 1_000_000)));
    }

    #[
        OA\Delete(
            path: '/sites/{site}/searches',
            operationId: 'forgetSearch',
            description: 'Takes a search off the list. When somebody makes it again, it is counted from one.',
            requestBody: new Body('SearchToForget'),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function forget(Request $request, Site $site): Response
    {
        $given = $request->validate(['words' => ['required', 'string', 'max:1000']], ['words.required' => 'Say which search: its words.']);
        if (! $this->searches->forget($site, $given['words'])) {
            throw new NotFoundHttpException('Nobody searched that, or it is off the list already.');
        }

        return new Response(status: 204);
    }
}

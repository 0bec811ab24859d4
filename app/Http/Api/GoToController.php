<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\FindPages;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Finds pages by what somebody remembers of them. */
final readonly class GoToController
{
    public function __construct(private FindPages $pages)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/go-to',
            operationId: 'goTo',
            description: 'Pages by several words in any order, each in name, heading, address or content, or spelt alike; the best first.',
            parameters: [new Query('text')],
            responses: [new Answer('Hit', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->pages->find($site, $request->string('text')->value()));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\FindPages;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Finds pages by name, heading or address. */
final readonly class GoToController
{
    public function __construct(private FindPages $pages)
    {
    }

    #[OA\Get(path: '/sites/{site}/go-to', operationId: 'goTo', description: 'Pages by name, heading or address; exact names first.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'text', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Hit'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->pages->find($site, $request->string('text')->value()));
    }
}

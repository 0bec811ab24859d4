<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Permission;
use App\Models\Site;
use App\Store\GoToHits;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Finds pages by name, heading or address. */
final readonly class GoToController
{
    public function __construct(private Permission $permission, private GoToHits $hits)
    {
    }

    #[OA\Get(path: '/sites/{site}/go-to', operationId: 'goTo', description: 'Pages by name, heading or address; exact names first.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'text', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Hit'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function index(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $text = mb_substr(trim($request->string('text')->value()), 0, 200);

        return new JsonResponse($text === '' ? [] : $this->hits->find($site, $text, 12));
    }
}

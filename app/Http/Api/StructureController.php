<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ShowStructure;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The structure beside the outline: what lies in the bin, and the picture of the whole. */
final readonly class StructureController
{
    public function __construct(private ShowStructure $structure)
    {
    }

    #[OA\Get(path: '/sites/{site}/bin', operationId: 'bin', description: 'What lies in the bin, the latest first.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/BinRow'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function bin(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->structure->bin($site));
    }

    #[OA\Get(path: '/sites/{site}/structure', operationId: 'structure', description: 'The picture of the structure: a page (the top without one) and what is below it, the largest branches first, level by level.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'of', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'levels', in: 'query', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StructureNode'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function picture(Request $request, Site $site): JsonResponse
    {
        $of = $request->string('of')->value();

        return new JsonResponse($this->structure->picture($site, $of === '' ? null : $of, min(6, max(1, $request->integer('levels', 3)))));
    }
}

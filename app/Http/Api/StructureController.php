<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ShowStructure;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
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

    #[
        OA\Get(
            path: '/sites/{site}/bin',
            operationId: 'bin',
            description: 'What lies in the bin, the latest first.',
            responses: [new Answer('BinRow', list: true)],
        ),
    ]
    public function bin(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->structure->bin($site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/structure',
            operationId: 'structure',
            description: 'The picture of the structure: a page (the top without one) and what is below it, the largest branches first, level by level.',
            parameters: [new Query('of'), new Query('levels', 'integer')],
            responses: [new Answer('StructureNode', list: true)],
        ),
    ]
    public function picture(Request $request, Site $site): JsonResponse
    {
        $of = $request->string('of')->value();

        return new JsonResponse($this->structure->picture($site, $of === '' ? null : $of, min(6, max(1, $request->integer('levels', 3)))));
    }
}

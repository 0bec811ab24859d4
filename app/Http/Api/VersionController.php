<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ReadVersions;
use App\Http\Api\Description\Answer;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Comparison;
use Heronstem\Core\Content\Document;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The versions of a page's content. Bringing one back is saving it anew. */
final readonly class VersionController
{
    public function __construct(private ReadVersions $versions)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/versions',
            operationId: 'versions',
            description: 'Versions of the content, the newest first.',
            responses: [new Answer('Version', list: true)],
        ),
    ]
    public function index(Request $request, Site $site, Page $page): JsonResponse
    {
        return new JsonResponse($this->versions->of($page));
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/versions/{number}',
            operationId: 'version',
            description: 'The content of one version.',
            parameters: [new OA\Parameter(name: 'number', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'Done',
                    content: new OA\JsonContent(
                        required: ['number', 'document'],
                        type: 'object',
                        properties: [new OA\Property('number', type: 'integer'), new OA\Property('document', ref: '#/components/schemas/Document')],
                    ),
                ),
            ],
        ),
    ]
    public function show(Request $request, Site $site, Page $page, int $number): JsonResponse
    {
        return new JsonResponse(['number' => $number, 'document' => $this->document($page, $number)->toArray()]);
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/versions/{left}/against/{right}',
            operationId: 'compareVersions',
            description: 'Two versions side by side, block by block, with what differs marked.',
            parameters: [
                new OA\Parameter(name: 'left', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
                new OA\Parameter(name: 'right', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
            ],
            responses: [new Answer('ComparedRow', list: true)],
        ),
    ]
    public function compare(Request $request, Site $site, Page $page, int $left, int $right): JsonResponse
    {
        return new JsonResponse(
            array_map(static fn ($row): array => $row->toArray(), Comparison::of($this->document($page, $left), $this->document($page, $right))),
        );
    }

    private function document(Page $page, int $number): Document
    {
        return $this->versions->document($page, $number) ?? throw new NotFoundHttpException("There is no version $number of this content.");
    }
}

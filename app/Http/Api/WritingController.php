<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Presence;
use App\Desk\ReviewContent;
use App\Desk\ShowBlocks;
use App\Http\Api\Description\Answer;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use Heronstem\Core\Content\Anchors;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** What the editor asks while somebody writes on a page. Nothing here changes the page. */
final readonly class WritingController
{
    /** Most blocks shown by one answer. */
    private const MAX_BLOCKS = 50;

    public function __construct(private Presence $presence, private ReviewContent $review, private ShowBlocks $show)
    {
    }

    #[
        OA\Put(
            path: '/sites/{site}/pages/{page}/presence',
            operationId: 'present',
            description: 'Says that one has the page open to write on it, every few seconds; answers who else has, and what was saved last.',
            responses: [new Answer('Present')],
        ),
    ]
    public function present(Request $request, Site $site, Page $page): JsonResponse
    {
        $others = $this->presence->note($page, Signed::in($request));
        $content = PageContent::query()
            ->with('savedBy:id,name')
            ->select(['page_id', 'working_version', 'saved_by'])
            ->find($page->id);

        return new JsonResponse(['others' => $others, 'version' => $content->working_version ?? 0, 'savedBy' => $content?->savedBy?->name]);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/pages/{page}/presence',
            operationId: 'leavePage',
            description: 'Says that one has closed the page.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function leave(Request $request, Site $site, Page $page): Response
    {
        $this->presence->left($page, Signed::in($request));

        return new Response(status: 204);
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/reviewed',
            operationId: 'reviewContent',
            description: 'Looks content over while it is written: its words, what may be mended at which block, and what keeps it from being saved.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['document'],
                    type: 'object',
                    properties: [new OA\Property('document', ref: '#/components/schemas/Document')],
                ),
            ),
            responses: [new Answer('ReviewedContent')],
        ),
    ]
    public function review(Request $request, Site $site, Page $page): JsonResponse
    {
        $given = $request->validate(['document' => ['required', 'array']], ['document.*' => 'Content is a document of blocks.']);

        return new JsonResponse($this->review->review($given['document'], $site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/shown',
            operationId: 'showBlocks',
            description: 'Blocks as visitors would get them, each by itself; or why one cannot be shown yet.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['blocks'],
                    type: 'object',
                    properties: [new OA\Property('blocks', type: 'array', items: new OA\Items(type: 'object', additionalProperties: true))],
                ),
            ),
            responses: [new Answer('ShownBlock', list: true)],
        ),
    ]
    public function show(Request $request, Site $site, Page $page): JsonResponse
    {
        return new JsonResponse(array_map(fn (array $block): array => $this->show->show($block, $site), self::blocks($request)));
    }

    /** @return list<array<mixed>> */
    public static function blocks(Request $request): array
    {
        $given = $request->validate(
            ['blocks' => ['present', 'array', 'list', 'max:'.self::MAX_BLOCKS], 'blocks.*' => ['array']],
            ['blocks.max' => 'At most :max blocks are shown at once.', 'blocks.*.array' => 'A block is an object.'],
        );

        return array_values($given['blocks']);
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/places',
            operationId: 'places',
            description: 'The headings and named blocks of a page that links can lead to.',
            responses: [new Answer('PagePlace', list: true)],
        ),
    ]
    public function places(Site $site, Page $page): JsonResponse
    {
        return new JsonResponse(Anchors::places(PageContent::document($page->content)));
    }
}

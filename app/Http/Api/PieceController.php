<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\KeepPieces;
use App\Desk\ReadPieces;
use App\Desk\ShowBlocks;
use App\Http\Api\Description\Answer;
use App\Models\SharedPiece;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Pieces of content that are written once and shown on many pages. */
final readonly class PieceController
{
    public function __construct(private KeepPieces $keep, private ReadPieces $read, private ShowBlocks $show)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/pieces',
            operationId: 'pieces',
            description: 'The shared pieces of the site by name, with how many pages show each.',
            responses: [new Answer('SharedPiece', list: true)],
        ),
    ]
    public function index(Site $site): JsonResponse
    {
        return new JsonResponse($this->read->all($site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/pieces/{piece}',
            operationId: 'piece',
            description: 'One piece with its content, the pages that show it and its versions; the ETag goes back in If-Match.',
            responses: [new Answer('SharedPieceDetail')],
        ),
    ]
    public function show(Site $site, SharedPiece $piece): JsonResponse
    {
        return $this->one($piece);
    }

    #[
        OA\Post(
            path: '/sites/{site}/pieces',
            operationId: 'makePiece',
            description: 'Makes a shared piece.',
            requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PieceToKeep')),
            responses: [new Answer('SharedPieceDetail', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        [$name, $content] = $this->given($request);

        return $this->one($this->keep->make($site, Signed::in($request), $name, $content)->refresh(), 201);
    }

    #[
        OA\Put(
            path: '/sites/{site}/pieces/{piece}',
            operationId: 'savePiece',
            description: 'Saves a shared piece: every page that shows it shows it as it is from then on.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/ifMatch')],
            requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PieceToKeep')),
            responses: [new Answer('SharedPieceDetail')],
        ),
    ]
    public function update(Request $request, Site $site, SharedPiece $piece): JsonResponse
    {
        [$name, $content] = $this->given($request);
        $match = StartedFrom::in($request, 'the ETag of the piece');
        $basedOn = $match === '*' ? $piece->number : (int) trim($match, 'W/"');

        return $this->one($this->keep->save($piece, Signed::in($request), $name, $content, $basedOn)->refresh());
    }

    #[
        OA\Delete(
            path: '/sites/{site}/pieces/{piece}',
            operationId: 'removePiece',
            description: 'Deletes a shared piece that no page shows.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function remove(Request $request, Site $site, SharedPiece $piece): Response
    {
        $this->keep->remove($piece, Signed::in($request));

        return new Response(status: 204);
    }

    #[
        OA\Get(
            path: '/sites/{site}/pieces/{piece}/versions/{number}',
            operationId: 'pieceVersion',
            description: 'An earlier version of a shared piece.',
            responses: [new Answer('Document')],
        ),
    ]
    public function version(Site $site, SharedPiece $piece, string $number): JsonResponse
    {
        return new JsonResponse($this->read->version($piece, (int) $number)?->toArray() ?? abort(404, 'There is no such version of this piece.'));
    }

    #[
        OA\Post(
            path: '/sites/{site}/shown',
            operationId: 'showBlocksOfSite',
            description: 'Blocks as visitors would get them, each by itself, for what is written for no page alone.',
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
    public function shown(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(array_map(fn (array $block): array => $this->show->show($block, $site), WritingController::blocks($request)));
    }

    private function one(SharedPiece $piece, int $status = 200): JsonResponse
    {
        return new JsonResponse($this->read->one($piece), $status, ['ETag' => "\"{$piece->number}\""]);
    }

    /** @return array{string, Document} */
    private function given(Request $request): array
    {
        $given = $request->validate(
            ['name' => ['required', 'string', 'max:400'], 'document' => ['required', 'array']],
            ['name' => 'A piece has a name.', 'document' => 'Content is a document of blocks.'],
        );

        return [$given['name'], Document::read($given['document'])];
    }
}

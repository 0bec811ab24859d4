<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ReadPasted;
use App\Http\Api\Description\Answer;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Content pasted from elsewhere. */
final readonly class PasteController
{
    public function __construct(private ReadPasted $pasted)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/pasted',
            operationId: 'pasted',
            description: 'Turns pasted HTML into a document: sanitised, links to the site\'s own addresses kept by page, and pictures that came along brought in as files. It is for a writer: pictures may lack a text.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['html'], type: 'object', properties: [new OA\Property('html', type: 'string')]),
            ),
            responses: [new Answer('Document')],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            ['html' => ['present', 'string', 'max:'.ReadPasted::MAX_BYTES]],
            ['html.max' => 'This is more than can be pasted at once.'],
        );

        $blocks = $this->pasted->read($given['html'], $site, Signed::in($request));

        return new JsonResponse(['version' => Document::VERSION, 'type' => 'doc', 'content' => $blocks]);
    }
}
